<script setup lang="ts">
import { pumpDisplacement } from '#core/build/inputs'
import { judgeGap } from '#core/progress/progress'
import { requireValue } from '#core/build/values'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/oil/sheet'
import { shaftPower } from '#core/pump/power'
import { slipConductance } from '#core/pump/slip'
import { namedStates, STATE_LABELS } from '#core/outlook/states'

const build = useBuild()
const house = useHouse()
const outlook = useOutlook()
const gear = computed(() => build.sheet!.layout.pumpKind === 'gear')
const KINDS: { value: 'gear' | 'gerotor'; words: string }[] = [{ value: 'gear', words: 'gears' }, { value: 'gerotor', words: 'gerotor' }]
/** A gerotor has no shaft centres to measure: what was written there goes with the change, and comes back with undo. */
function setKind(kind: 'gear' | 'gerotor') {
  const centres = kind === 'gerotor' && build.sheet!.readings['pump.centres'] ? [{ op: 'remove' as const, path: '/readings/pump.centres' }] : []
  void build.change([{ op: 'replace', path: '/layout/pumpKind', value: kind }, ...centres], 'Pump kind')
}
const displacement = computed(() => pumpDisplacement(build.sheet!))
const SOURCES = { measured: 'typed', maker: 'typed', layout: 'assumed for the layout', computed: 'from the gears' }
/** Swept, slipped and delivered in each state, with shaft power, at the outlook's pressures. */
const rows = computed(() => {
  const sheet = build.sheet!
  const oil = oilOf(sheet)
  const of = (key: string) => requireValue(sheet, key).value
  const gaps = { rotorDiameter: of('pump.rotorDiameter'), rotorLength: of('pump.rotorLength'), endClearance: of('pump.endClearance'), tipClearance: of('pump.tipClearance') }
  return namedStates(sheet).map((state) => {
    const found = outlook.now?.states.find((each) => each.name === state.name)
    const suction = outlook.now?.suction.find((each) => each.name === state.name)
    const { viscosity } = oilAt(oil, state.temperature)
    const speed = state.speed * of('pump.driveRatio')
    const swept = displacement.value.value * speed
    const pressure = found?.pressure ?? 0
    return { name: state.name, speed, swept, slip: slipConductance(gaps, viscosity) * pressure, power: shaftPower(pressure, displacement.value.value, speed, viscosity), starves: suction?.starves }
  })
})
const gapVerdicts = computed(() => [
  { label: 'End clearance', key: 'pump.endClearance', verdict: judgeGap(build.sheet!, 'pump.endClearance', 100e-6, 150e-6), watch: 100e-6, stop: 150e-6 },
  { label: 'Tip clearance', key: 'pump.tipClearance', verdict: judgeGap(build.sheet!, 'pump.tipClearance', 150e-6, 200e-6), watch: 150e-6, stop: 200e-6 },
].filter((each) => each.verdict && each.verdict !== 'pass'))
</script>

<template>
  <div>
    <StationHead station="pump" title="Pump">Rotors and body clean and dry. Measure end clearance at the cover, tip clearance at the pocket.</StationHead>
    <PumpDrawing />
    <div class="columns">
      <section>
        <h2>Measured</h2>
        <div class="row"><span class="what">Kind</span><ChoiceField label="Kind" :value="build.sheet!.layout.pumpKind" :options="KINDS" @choose="setKind" /></div>
        <ReadingRow name="pump.endClearance" /><ReadingRow name="pump.tipClearance" /><ReadingRow name="pump.rotorDiameter" /><ReadingRow v-if="gear" name="pump.centres" /><ReadingRow name="pump.rotorLength" /><ReadingRow name="pump.driveRatio" /><ReadingRow name="pump.displacement" />
      </section>
      <section>
        <h2>Gives</h2>
        <div class="row"><span class="what">Displacement<span class="origin">{{ SOURCES[displacement.source] }}</span></span><span class="figure" data-testid="displacement">{{ house.show(displacement.value, 'displacement') }}<span class="unit">{{ house.unit('displacement').symbol }}</span></span></div>
        <table>
          <thead><tr><th scope="col"><span class="hidden-but-read">State</span></th><th scope="col">swept</th><th scope="col">slip</th><th scope="col">drive</th></tr></thead>
          <tbody><tr v-for="row in rows" :key="row.name"><th scope="row">{{ STATE_LABELS[row.name] }}</th><td class="mono">{{ house.show(row.swept, 'flow') }}</td><td class="mono">{{ house.show(row.slip, 'flow') }}</td><td class="mono">{{ house.show(row.power, 'power') }}</td></tr></tbody>
          <tfoot><tr><th /><td>{{ house.unit('flow').symbol }}</td><td>{{ house.unit('flow').symbol }}</td><td>{{ house.unit('power').symbol }}</td></tr></tfoot>
        </table>
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-for="each in gapVerdicts" :key="each.key" :verdict="each.verdict!"><b>{{ each.label }} {{ each.verdict }}: {{ house.say(requireValue(build.sheet!, each.key).value, 'clearance') }}, house mark {{ house.show(each.verdict === 'stop' ? each.stop : each.watch, 'clearance') }}.</b> Slip grows with the cube of the gap, and takes most at idle hot.</JudgementLine>
      <JudgementLine v-for="row in rows.filter((each) => each.starves)" :key="row.name" verdict="watch"><b>{{ STATE_LABELS[row.name] }}: the suction side is at its limit.</b> Below {{ house.say(30e3, 'pressure', 2) }} of suction, air comes out of the oil and the pump stops filling. A wider tube or thinner oil helps.</JudgementLine>
    </section>
    <CautionNote>Rotors are replaced, never dressed. Wash every chip out before the cover goes on.</CautionNote>
  </div>
</template>

<style scoped>
table { width: 100%; border-collapse: collapse; margin-top: 4px; }
th, td { text-align: right; padding: 10px 0 10px 10px; font-weight: 400; border-top: 1px solid var(--rule); }
th:first-child { text-align: left; padding-left: 0; }
thead th, tfoot td { color: var(--quiet); border-top: 0; padding-bottom: 2px; }
tfoot td { padding-top: 2px; }
td.mono { font-size: 17px; }
</style>
