<script setup lang="ts">
import { SCHOOLS, USES } from '#core/record/words'
import { PRESETS } from '#core/record/layouts'
import { schools } from '#core/targets/targets'
import { STATE_LABELS, namedStates } from '#core/outlook/states'
import { bearingsOf } from '#core/parts/clearances'
import { rodFeed as feedOf } from '#core/outlook/feed'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/record/oil'

const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const sheet = computed(() => build.sheet!)
const layout = computed(() => sheet.value.layout)

const SCHOOL_WORDS = {
  auto: 'Maker, else the highest',
  maker: 'Maker’s limits',
  'per-thousand': 'Ten psi per thousand rpm',
  'rod-feed': 'Rod feed',
} as const
const SCHOOL_SHORT = {
  maker: 'maker',
  'per-thousand': 'per thousand',
  'rod-feed': 'rod feed',
  house: 'house floor',
} as const
const oil = computed(() => oilOf(sheet.value))
const rows = computed(() => {
  const largest = Math.max(...bearingsOf(sheet.value, 'main').map((record) => record.diameter))
  return namedStates(sheet.value).map((state) => ({
    state,
    said: schools(sheet.value, state, largest, oilAt(oil.value, state.temperature).density),
    target: outlook.now?.states.find((each) => each.name === state.name)?.target,
  }))
})
const rodFeed = computed(() => {
  const { pressure, speed } = feedOf(sheet.value)
  return `Rods need ${units.say(pressure, 'pressure', units.fine)} at the gallery to be fed at ${units.say(speed, 'speed')}.`
})
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
          ]"
          :key="name"
          :name="name"
        />
      </section>
    </div>
    <ModelLimits />
    <LayoutEditor v-if="editing" @close="editing = false" />

    <section class="block">
      <div class="block-head">
        <h2>Targets</h2>
        <span class="quiet"
          >Governed by
          <ChoiceField
            label="Governed by"
            quiet
            :value="sheet.school"
            :options="
              SCHOOLS.map((school) => ({
                value: school,
                words:
                  school === 'auto'
                    ? `House: ${SCHOOL_WORDS[sheet.house?.school ?? 'auto'].replace(/^./, (letter) => letter.toLowerCase())}`
                    : SCHOOL_WORDS[school],
              }))
            "
            @choose="choose('/school', $event, 'Governing school')"
        /></span>
      </div>
      <div class="drawing-scroll">
        <table class="targets">
          <thead>
            <tr>
              <th scope="col">At least, {{ units.unit('pressure').symbol }}</th>
              <th v-for="(words, school) in SCHOOL_SHORT" :key="school" scope="col">{{ words }}</th>
              <th scope="col">target</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.state.name" :data-target="row.state.name">
              <th scope="row">
                {{ STATE_LABELS[row.state.name] }}&ensp;<span class="quiet">{{
                  units.say(row.state.speed, 'speed')
                }}</span>
              </th>
              <td
                v-for="(_, school) in SCHOOL_SHORT"
                :key="school"
                class="mono"
                :class="{ governs: row.target?.school === school }"
              >
                {{ row.said[school] === undefined ? '·' : units.show(row.said[school]!, 'pressure') }}
              </td>
              <td class="mono target">
                {{
                  row.target
                    ? `${units.show(row.target.least, 'pressure')} to ${units.show(row.target.most, 'pressure')}`
                    : ''
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="quiet reason">{{ rodFeed }} The maker’s manual stands above Uldo.</p>
    </section>

    <LazyOilPanel />

    <div class="columns block">
      <section>
        <h2>Maker’s limits, if there are any</h2>
        <ReadingRow
          v-for="name in [
            'maker.idleHot',
            'maker.workingHot',
            'maker.ceiling',
            'limit.mainLeast',
            'limit.mainMost',
            'limit.rodLeast',
            'limit.rodMost',
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
.targets {
  width: 100%;
  border-collapse: collapse;
}
.targets th,
.targets td {
  text-align: right;
  padding: 9px 8px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
.targets thead th {
  color: var(--quiet);
  border-top: 0;
}
.targets th:first-child {
  text-align: left;
  padding-left: 0;
}
.targets tbody th {
  font-weight: 600;
}
.targets td {
  font-size: 16px;
  color: var(--quiet);
}
.targets .governs {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline 2px var(--petrol);
  text-underline-offset: 5px;
}
.targets .target {
  color: var(--ink);
  white-space: nowrap;
}
.reason {
  padding-top: 8px;
}
.moving {
  margin-top: 20px;
}
</style>
