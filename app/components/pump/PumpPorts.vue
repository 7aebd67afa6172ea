<script setup lang="ts">
import type { ReadingKey } from '#core/parts/list'
import { recordedOrDefault, requireValue } from '#core/engine/values'
import { limitOf } from '#core/house/makerLimits'
import { stepLoss } from '#core/pickup/suction'

/** Ports opened and blended: before, after, the wall left, and what it is worth. */
const build = useBuild()
const units = useUnits()
const PORTS = [
  ['suction', 'Suction port'],
  ['outlet', 'Outlet port'],
] as const
const of = (key: ReadingKey) => recordedOrDefault(build.sheet!, key)?.value
const limit = computed(() => limitOf(build.sheet!, 'pump.wallLeast'))
const least = computed(() => limit.value.value)
const thin = computed(() =>
  PORTS.flatMap(([port, words]) => {
    const wall = of(`pump.${port}PortWall`)
    return wall !== undefined && wall < least.value ? [{ words, wall }] : []
  }),
)
const tube = computed(() => requireValue(build.sheet!, 'pickup.tubeDiameter').value)
/** What the opened suction port takes off the loss where the tube meets it, in velocity heads of the tube. */
const step = computed(() => {
  const [before, now] = [of('pump.suctionPortBefore'), of('pump.suctionPort')]
  return before !== undefined && now !== undefined
    ? { before: stepLoss(tube.value, before), now: stepLoss(tube.value, now) }
    : undefined
})
const undone = computed(() =>
  Object.fromEntries(
    PORTS.flatMap(([port]) => {
      const before = of(`pump.${port}PortBefore`)
      return before !== undefined && of(`pump.${port}Port`) !== undefined ? [[`pump.${port}Port`, before]] : []
    }),
  ),
)
const { value: worth } = useAnswer(
  (model) =>
    build.sheet && Object.keys(undone.value).length > 0
      ? model.change(build.sheet, undone.value, 'workingHot')
      : undefined,
  () => [build.sheet, JSON.stringify(undone.value)],
)
const washed = computed(() => build.sheet!.checks['pump.washed']?.state === 'done')
</script>

<template>
  <div>
    <div class="columns">
      <section v-for="[port, words] in PORTS" :key="port">
        <h2>{{ words }}</h2>
        <ReadingRow v-for="field in ['PortBefore', 'Port', 'PortWall']" :key="field" :name="`pump.${port}${field}`" />
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-for="each in thin" :key="each.words" verdict="stop"
        ><b
          >{{ each.words }}: {{ units.say(each.wall, 'length') }} of wall left,
          {{ limit.source === 'maker' ? 'maker’s limit' : 'house mark' }} {{ units.say(least, 'length') }}.</b
        >
        It cracks into the next passage. Replace the body.</JudgementLine
      >
      <JudgementLine v-if="step" verdict="unknown"
        ><b
          >Where the tube of {{ units.say(tube, 'length') }} meets the suction port: {{ step.now.toFixed(2) }} velocity
          heads lost, {{ step.before.toFixed(2) }} before.</b
        >
        {{ step.now < 0.05 ? 'No step is left.' : 'A step remains: blend it.' }}</JudgementLine
      >
      <JudgementLine v-if="worth !== undefined" verdict="unknown"
        ><b
          >The work is worth
          {{ units.say(Math.abs(worth), 'pressure', units.unit('pressure').symbol === 'bar' ? 3 : 1) }} at working
          speed, hot.</b
        >
        Only the side that the flow meets needs blending; cold suction gains most.</JudgementLine
      >
      <JudgementLine v-if="step && !washed" verdict="watch"
        ><b>Chips are not yet washed out.</b> They end in the bearings: wash before the cover goes on, and mark it under
        Close up.</JudgementLine
      >
      <p v-if="!step && thin.length === 0 && worth === undefined" class="quiet">
        Nothing was opened. Where a port is, write its bore before and after and the wall that is left.
      </p>
    </section>
    <CautionNote>Chips and grit fly: eye protection on. Every chip is washed out before assembly.</CautionNote>
  </div>
</template>
