<script setup lang="ts">
import { relayout } from '#core/engine/relayout'
import { endClearance, gapMarks, judgeGap, pumpDisplacement } from '#core/parts/pumpReadings'
import { checksOf, inspectionsOf } from '#core/engine/catalogue'
import { requireValue } from '#core/engine/values'
import { STARVES } from '#core/pump/fill'
import { STATE_LABELS } from '#core/outlook/states'

const VIEWS = [
  { view: 'measure', words: 'Inspect and measure' },
  { view: 'salvage', words: 'Salvage' },
  { view: 'ports', words: 'Ports' },
  { view: 'speed', words: 'Over speed' },
  { view: 'compare', words: 'Compare pumps' },
  { view: 'close', words: 'Close up' },
] as const
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { view, go } = useView(VIEWS)
const gear = computed(() => build.sheet!.layout.pumpKind === 'gear')
const KINDS: { value: 'gear' | 'gerotor'; words: string }[] = [
  { value: 'gear', words: 'gears' },
  { value: 'gerotor', words: 'gerotor' },
]
/** What only one kind of pump has is set aside with the change, and comes back with its kind. */
function setKind(kind: 'gear' | 'gerotor') {
  const sheet = build.sheet!
  void build.change(relayout(sheet, { ...sheet.layout, pumpKind: kind }), 'Pump kind')
}
const surfaces = computed(() => inspectionsOf(build.sheet!.layout).filter(({ station }) => station === 'pump'))
const turns = computed(() => checksOf(build.sheet!.layout).filter(({ station }) => station === 'pump'))
const displacement = computed(() => pumpDisplacement(build.sheet!))
const SOURCES = {
  measured: 'typed',
  maker: 'typed',
  planned: 'planned',
  layout: 'assumed for the layout',
  computed: 'from the geometry',
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
      label: gap === 'end' ? 'End clearance' : 'Tip clearance',
      verdict: judgeGap(build.sheet!, gap),
      value: gap === 'end' ? endClearance(build.sheet!).value : requireValue(build.sheet!, 'pump.tipClearance').value,
    }))
    .filter((each) => each.verdict && each.verdict !== 'pass'),
)
/** The mark that a gap is out of: too tight or worn. */
function mark({ gap, verdict, value }: (typeof gapVerdicts.value)[number]) {
  const marks = gapMarks(build.sheet!, gap)
  return marks.least && value < marks.least.value ? marks.least : marks[verdict === 'stop' ? 'stop' : 'watch']
}
</script>

<template>
  <div>
    <StationHead station="pump" title="Pump"
      >Rotors and body clean and dry. A fingernail across every face: marks that it does not catch are cosmetic. Then
      the gaps.</StationHead
    >
    <PumpDrawing v-if="view !== 'compare' && view !== 'speed'" />
    <ViewTabs label="Pump" :views="VIEWS" :view="view" @go="go($event)" />
    <template v-if="view === 'measure'">
      <div class="columns">
        <section aria-label="Surfaces">
          <h2>By fingernail</h2>
          <InspectRow v-for="item in surfaces" :key="item.key" :item="item" />
        </section>
        <section>
          <h2>Measured</h2>
          <div class="row">
            <span class="what">Kind</span
            ><ChoiceField label="Kind" :value="build.sheet!.layout.pumpKind" :options="KINDS" @choose="setKind" />
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
          <h2>Gives</h2>
          <span class="note"
            >displacement
            <b class="mono" data-testid="displacement">{{ units.say(displacement.value, 'displacement') }}</b>,
            {{ SOURCES[displacement.source] }}</span
          >
        </div>
        <div class="drawing-scroll">
          <table>
            <thead>
              <tr>
                <th scope="col"><span class="hidden-but-read">State</span></th>
                <th v-for="words in ['swept', 'not filled', 'slip', 'delivered']" :key="words" scope="col">
                  {{ words }}, {{ units.unit('flow').symbol }}
                </th>
                <th scope="col">drive, {{ units.unit('power').symbol }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in rows ?? []" :key="row.name" :data-gives="row.name">
                <th scope="row">{{ STATE_LABELS[row.name] }}</th>
                <td class="mono">{{ units.show(row.swept, 'flow') }}</td>
                <td class="mono" data-unfilled>{{ units.show(row.unfilled, 'flow') }}</td>
                <td class="mono" data-slip>{{ units.show(row.slip, 'flow') }}</td>
                <td
                  v-for="[figure, dimension] in [
                    [row.delivered, 'flow'],
                    [row.power, 'power'],
                  ] as const"
                  :key="dimension"
                  class="mono"
                >
                  {{ units.show(figure.best, dimension)
                  }}<span class="quiet band"
                    >{{ units.show(figure.low, dimension) }} to {{ units.show(figure.high, dimension) }}</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-label="Judgement" class="block">
        <JudgementLine v-for="each in gapVerdicts" :key="each.gap" :verdict="each.verdict!"
          ><b
            >{{ each.label }} {{ each.verdict }}: {{ units.say(each.value, 'clearance') }},
            {{ mark(each).source === 'maker' ? 'maker’s limit' : 'house mark' }}
            {{ units.show(mark(each).value, 'clearance') }}.</b
          >
          Slip grows with the cube of the gap, and takes most at idle hot.
          <button v-if="each.gap === 'end'" type="button" class="linked" @click="go('salvage')">
            Salvage
          </button></JudgementLine
        >
        <JudgementLine v-for="row in starved" :key="row.name" verdict="watch"
          ><b>{{ STATE_LABELS[row.name] }}: the suction side is at its limit.</b> Below
          {{ units.say(STARVES, 'pressure', 2) }} of suction, air comes out of the oil and the pump stops filling:
          {{ units.say(row.unfilled, 'flow') }} of what it sweeps is not filled. That is no slip, and no gap mends it. A
          wider tube or thinner oil helps.
          <span class="quiet"
            >Mineral oil lets its air go at about 0.7 bar absolute (Totten, Handbook of Hydraulic Fluid
            Technology).</span
          ></JudgementLine
        >
      </section>
      <LongIdle />
      <CautionNote>Rotors are replaced, never dressed. Wash every chip out before the cover goes on.</CautionNote>
    </template>
    <LazyPumpSalvage v-else-if="view === 'salvage'" />
    <LazyPumpPorts v-else-if="view === 'ports'" />
    <LazyPumpOverSpeed v-else-if="view === 'speed'" />
    <LazyPumpCompare v-else-if="view === 'compare'" />
    <LazyPumpClose v-else :checks="turns" />
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 4px;
}
th,
td {
  text-align: right;
  padding: 9px 0 9px 10px;
  font-weight: 400;
  border-top: 1px solid var(--rule);
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
thead th {
  color: var(--quiet);
  border-top: 0;
  padding-bottom: 2px;
}
td.mono {
  font-size: 17px;
}
.band {
  display: block;
  font-size: 12.5px;
  white-space: nowrap;
}
</style>
