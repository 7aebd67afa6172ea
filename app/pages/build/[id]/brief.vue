<script setup lang="ts">
import { MAKER_LIMITS } from '#core/house/makerLimits'
import { USES } from '#core/record/words'
import { PRESETS } from '#core/record/layouts'

const build = useBuild()
const sheet = computed(() => build.sheet!)
const layout = computed(() => sheet.value.layout)

const editing = ref(false)
// The editor carries the schema that checks it: fetched when it is opened.
const LayoutEditor = defineAsyncComponent(() => import('~/components/brief/LayoutEditor.vue'))
function choose(path: string, value: unknown, label: string) {
  void build.change([{ op: 'replace', path, value }], label)
}
const facts = computed(() => {
  const own = layout.value
  const rotary = own.kind === 'rotary'
  const listed = (...words: (string | false)[]) => words.filter(Boolean).join(', ')
  return [
    [
      PRESETS[own.preset]?.title ?? 'Own layout',
      listed(
        many(own.mains, 'main'),
        many(own.feed.length, rotary ? 'rotor' : 'rod'),
        own.camBearings > 0 && many(own.camBearings, 'cam bearing'),
        own.headCams > 0 && `${many(own.headCams, 'overhead cam')} of ${many(own.headCamJournals, 'bearing')}`,
      ),
    ],
    ...(own.lifterCount > 0 ? [['Lifters', `${own.lifterCount} ${own.lifters}, ${own.followers} followers`]] : []),
    ...(own.lashAdjusters > 0
      ? [['Valves', `${many(own.lashAdjusters, 'lash adjuster')}, ${own.followers} followers`]]
      : []),
    ['Pump', `${own.pumpKind} pump, ${own.pumpDrive === 'shaft' ? 'shaft driven' : 'on the crank'}`],
    ['Relief', own.galleryRelief ? 'at the pump and at the gallery’s end' : 'at the pump'],
    [
      'Extras',
      listed(
        own.cooler && 'oil cooler',
        own.coolerPlugged && 'cooler’s ports plugged',
        own.drySump && 'dry sump',
        own.turbo && 'turbo',
        own.pistonJets > 0 && many(own.pistonJets, rotary ? 'rotor jet' : 'piston jet'),
        own.tensioner && 'chain tensioner',
        own.oilLine !== 'none' && `external oil line to the ${own.oilLine}`,
        own.drilledRods && 'rods drilled to the pin',
      ) || 'none',
    ],
    ['Housing', `${own.housing}, mains grooved ${own.mainGroove}°`],
  ]
})
</script>

<template>
  <div>
    <StationHead station="brief" title="Brief"
      >What the engine is and does, and the pressures it should show.</StationHead
    >

    <div class="columns">
      <section>
        <div class="block-head">
          <h2>Layout</h2>
          <Button type="button" variant="outlined" :aria-expanded="editing" @click="editing = !editing"
            >Change layout</Button
          >
        </div>
        <dl class="facts">
          <template v-for="[what, words] in facts" :key="what"
            ><dt>{{ what }}</dt>
            <dd>{{ words }}</dd></template
          >
        </dl>
      </section>
      <section>
        <div class="block-head"><h2>Use</h2></div>
        <div class="row">
          <span class="what">What it does</span
          ><ChoiceField
            label="Use"
            :value="sheet.use"
            :options="USES.map((use) => ({ value: use, words: use }))"
            @choose="choose('/use', $event, 'Use')"
          />
        </div>
        <ReadingRow
          v-for="name in [
            'brief.idleSpeed',
            'brief.coldIdleSpeed',
            'brief.workingSpeed',
            'brief.maximumSpeed',
            'brief.crankingSpeed',
            'brief.coldStart',
            'brief.hotOil',
            'brief.idleHours',
            'brief.idleOil',
          ]"
          :key="name"
          :name="name"
        />
      </section>
    </div>
    <ModelLimits />
    <LayoutEditor v-if="editing" @close="editing = false" />

    <TargetTable />

    <LazyOilPanel />
    <LazyOilFills />

    <div class="columns block">
      <section>
        <h2>Your own numbers, if you have any</h2>
        <ReadingRow
          v-for="name in ['own.crankingCold', 'own.idleCold', 'own.idleHot', 'own.workingHot', 'own.prime']"
          :key="name"
          :name="name"
        />
        <h2 class="makers">Maker’s limits, if there are any</h2>
        <ReadingRow
          v-for="name in [
            'maker.idleHot',
            'maker.workingHot',
            'maker.ceiling',
            'limit.mainLeast',
            'limit.mainMost',
            'limit.rodLeast',
            'limit.rodMost',
            ...Object.values(MAKER_LIMITS),
          ]"
          :key="name"
          :name="name"
        />
      </section>
      <section>
        <h2>Sizes</h2>
        <ReadingRow
          v-for="name in ['size.cylinderBore', 'size.stroke', 'size.mainLength', 'size.mainLand', 'size.rodLength']"
          :key="name"
          :name="name"
        />
        <h2 class="moving">Moving parts</h2>
        <ReadingRow
          v-for="name in ['size.connectingRod', 'size.compressionRatio', 'size.reciprocatingMass', 'size.rotatingMass']"
          :key="name"
          :name="name"
        />
      </section>
    </div>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 110px 1fr;
  margin: 4px 0 0;
}
.facts dt,
.facts dd {
  margin: 0;
  padding: 7px 0;
  border-top: 1px solid var(--rule);
}
.facts dt {
  color: var(--quiet);
}
.moving {
  margin-top: 20px;
}
.makers {
  margin-top: 22px;
}
</style>
