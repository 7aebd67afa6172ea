<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/brief'
import { whole } from '~/words/numbers'
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
/** What stands below the first screen, in two columns. */
const BELOW: [string, string[]][][] = [
  [
    [
      t('brief.yourOwnNumbersIfYouHave'),
      ['own.crankingCold', 'own.idleCold', 'own.idleHot', 'own.workingHot', 'own.prime'],
    ],
    [
      t('brief.makersLimitsIfThereAreAny'),
      [
        'maker.idleHot',
        'maker.workingHot',
        'maker.ceiling',
        'limit.mainLeast',
        'limit.mainMost',
        'limit.rodLeast',
        'limit.rodMost',
        ...Object.values(MAKER_LIMITS),
      ],
    ],
  ],
  [
    [t('brief.sizes'), ['size.cylinderBore', 'size.stroke', 'size.mainLength', 'size.mainLand', 'size.rodLength']],
    [
      t('brief.movingParts'),
      ['size.connectingRod', 'size.compressionRatio', 'size.reciprocatingMass', 'size.rotatingMass'],
    ],
  ],
]
/** So many rows come in one turn. */
const FEW = 4
const inFews = (names: string[]) =>
  Array.from({ length: Math.ceil(names.length / FEW) }, (_, i) => names.slice(FEW * i, FEW * (i + 1)))
const facts = computed(() => {
  const own = layout.value
  const rotary = own.kind === 'rotary'
  const listed = (...words: (string | false)[]) => words.filter(Boolean).join(', ')
  return [
    [
      named(PRESETS[own.preset]?.title) ?? t('brief.ownLayout'),
      listed(
        t('brief.mainMains', { n: whole(own.mains) }, own.mains),
        t(rotary ? 'brief.nRotorNRotors' : 'brief.nRodNRods', { n: own.feed.length }, own.feed.length),
        own.camBearings > 0 && t('brief.camBearingCamBearings', { n: whole(own.camBearings) }, own.camBearings),
        own.headCams > 0 &&
          t('brief.of', {
            headCams: t('brief.overheadCamOverheadCams', { n: whole(own.headCams) }, own.headCams),
            headCamJournals: t('brief.bearingBearings', { n: whole(own.headCamJournals) }, own.headCamJournals),
          }),
      ),
    ],
    ...(own.lifterCount > 0
      ? [
          [
            t('brief.lifters'),
            t('brief.followers', {
              lifterCount: own.lifterCount,
              lifters: named(own.lifters),
              followers: named(own.followers),
            }),
          ],
        ]
      : []),
    ...(own.lashAdjusters > 0
      ? [
          [
            t('brief.valves'),
            t('brief.followers2', {
              lashAdjusters: t('brief.lashAdjusterLashAdjusters', { n: whole(own.lashAdjusters) }, own.lashAdjusters),
              followers: named(own.followers),
            }),
          ],
        ]
      : []),
    [
      t('brief.pump'),
      t('brief.pump2', {
        pumpKind: named(own.pumpKind),
        pumpDrive: own.pumpDrive === 'shaft' ? t('brief.shaftDriven') : t('brief.onTheCrank'),
      }),
    ],
    [t('brief.relief'), own.galleryRelief ? t('brief.atThePumpAndAtThe') : t('brief.atThePump')],
    [
      t('brief.extras'),
      listed(
        own.cooler && t('brief.oilCooler'),
        own.coolerPlugged && t('brief.coolersPortsPlugged'),
        own.drySump && t('brief.drySump'),
        own.turbo && t('brief.turbo'),
        own.pistonJets > 0 &&
          t(rotary ? 'brief.nRotorJetNRotor' : 'brief.nPistonJetNPiston', { n: own.pistonJets }, own.pistonJets),
        own.tensioner && t('brief.chainTensioner'),
        own.oilLine !== 'none' && t('brief.externalOilLineToThe', { oilLine: named(own.oilLine) }),
        own.drilledRods && t('brief.rodsDrilledToThePin'),
      ) || t('brief.none'),
    ],
    [t('brief.housing'), t('brief.mainsGrooved', { housing: named(own.housing), mainGroove: own.mainGroove })],
  ]
})
</script>

<template>
  <div>
    <StationHead station="brief" :title="t('brief.brief')">{{ t('brief.whatTheEngineIsAndDoes') }}</StationHead>

    <div class="columns">
      <section>
        <div class="block-head">
          <h2>{{ t('brief.layout') }}</h2>
          <Button type="button" variant="outlined" :aria-expanded="editing" @click="editing = !editing">{{
            t('brief.changeLayout')
          }}</Button>
        </div>
        <dl class="facts">
          <template v-for="[what, words] in facts" :key="what"
            ><dt>{{ what }}</dt>
            <dd>{{ words }}</dd></template
          >
        </dl>
      </section>
      <section>
        <div class="block-head">
          <h2>{{ t('brief.use') }}</h2>
        </div>
        <div class="row">
          <span class="what">{{ t('brief.whatItDoes') }}</span><ChoiceField
            :label="t('brief.use')"
            :value="sheet.use"
            :options="USES.map((use) => ({ value: use, words: use }))"
            @choose="choose('/use', $event, t('brief.use'))"
          />
        </div>
        <ComesSoon>
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
        /></ComesSoon>
      </section>
    </div>
    <ModelLimits />
    <LayoutEditor v-if="editing" @close="editing = false" />

    <InTurn><LazyTargetTable /></InTurn>

    <InTurn><LazyOilPanel /></InTurn>
    <InTurn><LazyOilFills /></InTurn>

    <div class="columns block">
      <section v-for="(blocks, i) in BELOW" :key="i">
        <template v-for="[title, names] in blocks" :key="title"
          ><InTurn v-for="(few, f) in inFews(names)" :key="f"
            ><h2 v-if="f === 0" class="apart">{{ title }}</h2>
            <ReadingRow v-for="name in few" :key="name" :name="name" /></InTurn
        ></template>
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
.apart:not(:first-child) {
  margin-top: 22px;
}
</style>
