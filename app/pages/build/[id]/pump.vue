<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/pump'
import { relayout } from '#core/engine/relayout'
import { endClearance, gapMarks, judgeGap, pumpDisplacement } from '#core/parts/pumpReadings'
import { checksOf, inspectionsOf } from '#core/engine/catalogue'
import { requireValue } from '#core/engine/values'
import { STARVES } from '#core/pump/fill'
import { STATE_LABELS } from '#core/outlook/states'
import type { StateName } from '#core/targets/targets'

const VIEWS = [
  { view: 'measure', words: t('pump.inspectAndMeasure') },
  { view: 'salvage', words: t('pump.salvage') },
  { view: 'ports', words: t('pump.ports') },
  { view: 'speed', words: t('pump.overSpeed') },
  { view: 'compare', words: t('pump.comparePumps') },
  { view: 'close', words: t('pump.closeUp') },
] as const
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { view, go } = useView(VIEWS)
const gear = computed(() => build.sheet!.layout.pumpKind === 'gear')
const KINDS: { value: 'gear' | 'gerotor'; words: string }[] = [
  { value: 'gear', words: t('pump.gears') },
  { value: 'gerotor', words: t('pump.gerotor') },
]
/** What only one kind of pump has is set aside with the change, and comes back with its kind. */
function setKind(kind: 'gear' | 'gerotor') {
  const sheet = build.sheet!
  void build.change(relayout(sheet, { ...sheet.layout, pumpKind: kind }), t('pump.pumpKind'))
}
const surfaces = computed(() => inspectionsOf(build.sheet!.layout).filter(({ station }) => station === 'pump'))
const turns = computed(() => checksOf(build.sheet!.layout).filter(({ station }) => station === 'pump'))
const displacement = computed(() => pumpDisplacement(build.sheet!))
const SOURCES = {
  measured: 'typed',
  maker: 'typed',
  planned: 'planned',
  layout: t('pump.assumedForTheLayout'),
  computed: t('pump.fromTheGeometry'),
}
/** Swept, slipped and delivered in each state, with shaft power, by the circuit; asked once the prediction stands, so as not to hold it up. */
const { value: rows } = useAnswer(
  (_, slow) => (build.sheet ? slow().pumpAtStates(build.sheet) : undefined),
  () => outlook.now,
)
const starved = computed(() => {
  const names = outlook.now?.suction.filter(({ starves }) => starves).map(({ name }) => name) ?? []
  return (rows.value ?? []).filter(({ name }) => names.includes(name))
})
const gapVerdicts = computed(() =>
  (['end', 'tip'] as const)
    .map((gap) => ({
      gap,
      label: gap === 'end' ? t('pump.endClearance') : t('pump.tipClearance'),
      verdict: judgeGap(build.sheet!, gap),
      value: gap === 'end' ? endClearance(build.sheet!).value : requireValue(build.sheet!, 'pump.tipClearance').value,
    }))
    .filter((each) => each.verdict && each.verdict !== 'pass'),
)
const GIVES = [
  ['swept', t('pump.swept')],
  ['unfilled', t('pump.notFilled')],
  ['slip', t('pump.slip')],
] as const
const BANDED = [
  ['delivered', t('pump.delivered'), 'flow'],
  ['power', t('pump.drive'), 'power'],
] as const
/** The mark that a gap is out of: too tight or worn. */
function mark({ gap, verdict, value }: (typeof gapVerdicts.value)[number]) {
  const marks = gapMarks(build.sheet!, gap)
  return marks.least && value < marks.least.value ? marks.least : marks[verdict === 'stop' ? 'stop' : 'watch']
}
</script>

<template>
  <div>
    <StationHead station="pump" :title="t('pump.pump')">{{ t('pump.rotorsAndBodyCleanAndDry') }}</StationHead>
    <PumpDrawing v-if="view !== 'compare' && view !== 'speed'" />
    <ViewTabs :label="t('pump.pump')" :views="VIEWS" :view="view" @go="go($event)">
      <template v-if="view === 'measure'">
        <div class="columns">
          <section :aria-label="t('pump.surfaces')">
            <h2>{{ t('pump.byFingernail') }}</h2>
            <InspectRow v-for="item in surfaces" :key="item.key" :item="item" />
          </section>
          <section>
            <h2>{{ t('pump.measured') }}</h2>
            <div class="row">
              <span class="what">{{ t('pump.kind') }}</span><ChoiceField
                :label="t('pump.kind')"
                :value="build.sheet!.layout.pumpKind"
                :options="KINDS"
                @choose="setKind"
              />
            </div>
            <ReadingRow name="pump.endClearance" /><ReadingRow name="pump.tipClearance" /><ReadingRow
              v-if="!gear"
              name="pump.sideClearance"
            /><ReadingRow name="pump.rotorDiameter" /><ReadingRow v-if="gear" name="pump.centres" /><template v-else
              ><ReadingRow
                v-for="field in ['lobes', 'eccentricity', 'toothCentres', 'toothRadius']"
                :key="field"
                :name="`pump.${field}`" /></template
            ><ReadingRow name="pump.rotorLength" /><ReadingRow name="pump.driveRatio" /><ReadingRow
              name="pump.displacement"
            />
          </section>
        </div>
        <section class="block">
          <div class="block-head">
            <h2>{{ t('pump.gives') }}</h2>
            <span class="note"
              >{{ t('pump.displacement') }}
              <b class="mono" data-testid="displacement">{{ units.say(displacement.value, 'displacement') }}</b>,
              {{ SOURCES[displacement.source] }}</span
            >
          </div>
          <ResultTable
            :rows="rows ?? []"
            :label="t('pump.whatThePumpGives')"
            :attributes="(row) => ({ 'data-gives': row.name })"
          >
            <Column :header="t('pump.state')"
              ><template #body="{ data }">{{ named(STATE_LABELS[data.name as StateName]) }}</template></Column
            ><Column
              v-for="[key, words] in GIVES"
              :key="key"
              :header="`${words}, ${units.unit('flow').symbol}`"
              body-class="figures"
              ><template #body="{ data }"
                ><span :data-gives-of="key">{{ units.show(data[key], 'flow') }}</span></template
              ></Column
            ><Column
              v-for="[key, words, dimension] in BANDED"
              :key="key"
              :header="`${words}, ${units.unit(dimension).symbol}`"
              ><template #body="{ data }"
                ><BandedFigure
                  :value="data[key].best"
                  :low="data[key].low"
                  :high="data[key].high"
                  :dimension="dimension" /></template
            ></Column>
          </ResultTable>
        </section>
        <section :aria-label="t('pump.judgement')" class="block">
          <JudgementLine v-for="each in gapVerdicts" :key="each.gap" :verdict="each.verdict!"
            ><b
              >{{ named(each.label) }} {{ named(each.verdict) }}: {{ units.say(each.value, 'clearance') }},
              {{ mark(each).source === 'maker' ? t('pump.makersLimit') : t('pump.houseMark') }}
              {{ units.show(mark(each).value, 'clearance') }}.</b
            >
            {{ t('pump.slipGrowsWithTheCubeOf') }}
            <Button v-if="each.gap === 'end'" type="button" variant="link" class="linked" @click="go('salvage')">{{
              t('pump.salvage')
            }}</Button></JudgementLine
          >
          <JudgementLine v-for="row in starved" :key="row.name" verdict="watch"
            ><b>{{ t('pump.theSuctionSideIsAtIts', { stateLabels: named(STATE_LABELS[row.name]) }) }}</b>
            {{
              t('pump.belowOfSuctionAirComesOut', {
                starves: units.say(STARVES, 'pressure', 2),
                unfilled: units.say(row.unfilled, 'flow'),
              })
            }}
            <span class="quiet">{{ t('pump.mineralOilLetsItsAirGo') }}</span></JudgementLine
          >
        </section>
        <LongIdle />
        <CautionNote>{{ t('pump.rotorsAreReplacedNeverDressed') }}</CautionNote>
      </template>
      <LazyPumpSalvage v-else-if="view === 'salvage'" />
      <LazyPumpPorts v-else-if="view === 'ports'" />
      <LazyPumpOverSpeed v-else-if="view === 'speed'" />
      <LazyPumpCompare v-else-if="view === 'compare'" />
      <LazyPumpClose v-else :checks="turns" />
    </ViewTabs>
  </div>
</template>
