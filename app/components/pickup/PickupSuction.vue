<script setup lang="ts">
import type { FieldOf } from '#core/parts/list'
import { floorClearance } from '#core/parts/pickupRecord'
import { requireValue } from '#core/engine/values'
import { inletAreas } from '#core/pickup/suction'
import { STARVES } from '#core/pump/fill'
import { keptApart, linePath, roundTicks } from '~/composables/plot'

/** Suction over speed, cold and hot, up to where the pump starves; with part of the screen blocked. */
const build = useBuild()
const units = useUnits()
const blocked = ref(0)
const { value: curves } = useAnswer(
  (model) => (build.sheet ? model.suction(build.sheet, blocked.value) : undefined),
  () => [build.sheet, blocked.value],
)
const WIDTH = 660
const HEIGHT = 210
const plot = computed(() => {
  const found = curves.value
  if (!found) return undefined
  const most = Math.max(STARVES * 1.25, ...found.cold.suction, ...found.hot.suction)
  const least = Math.min(0, ...found.cold.suction, ...found.hot.suction)
  const x = (speed: number) =>
    64 + ((speed - found.speeds[0]) / (found.speeds.at(-1)! - found.speeds[0])) * (WIDTH - 158)
  const y = (suction: number) => 14 + (1 - (suction - least) / (most - least)) * (HEIGHT - 54)
  const path = (suction: number[]) => linePath(suction.map((each, i) => [x(found.speeds[i]), y(each)] as const))
  const [cold, hot] = keptApart([y(found.cold.suction.at(-1)!), y(found.hot.suction.at(-1)!)])
  const bars = [found.cold.hardest, found.hot.hardest].map(({ speed, low, high }, i) => ({
    key: i,
    x: x(speed) + 2 * i,
    from: y(low),
    to: Math.max(4, y(high)),
    colour: i === 0 ? 'var(--petrol)' : 'var(--oil)',
  }))
  return {
    x,
    y,
    bars,
    cold: path(found.cold.suction),
    hot: path(found.hot.suction),
    ticks: roundTicks(least, most, units.unit('pressure')),
    marks: roundTicks(found.speeds[0], found.speeds.at(-1)!, units.unit('speed'), 5),
    limit: y(STARVES),
    labels: { cold, hot },
  }
})
const maximum = computed(() => requireValue(build.sheet!, 'brief.maximumSpeed').value)
const verdicts = computed(() =>
  (curves.value
    ? ([
        ['cold', curves.value.cold],
        ['hot', curves.value.hot],
      ] as const)
    : []
  ).map(([words, curve]) => ({
    words,
    temperature: curve.temperature,
    at: curve.starvesAt,
    hardest: curve.hardest,
    margin: STARVES - curve.hardest.suction,
    verdict:
      curve.starvesAt !== undefined
        ? words === 'hot'
          ? ('stop' as const)
          : ('watch' as const)
        : curve.hardest.high > STARVES
          ? ('watch' as const)
          : ('pass' as const),
  })),
)
const areas = computed(() => {
  const of = (field: FieldOf<'pickup'>) => requireValue(build.sheet!, `pickup.${field}`).value
  const tube = 0.25 * Math.PI * of('tubeDiameter') ** 2
  const { ring, screen } = inletAreas(
    of('mouthDiameter'),
    floorClearance(build.sheet!).value,
    of('screenOpen') * (1 - blocked.value),
  )
  return { tube, ring, screen }
})
const area = (value: number) => `${Math.round(value * 1e6)} mm²`
</script>

<template>
  <div>
    <label class="slide"
      ><span>Screen blocked</span
      ><input
        v-model.number="blocked"
        type="range"
        min="0"
        max="0.95"
        step="0.05"
        aria-label="Share of the screen that is blocked"
        :aria-valuetext="`${Math.round(100 * blocked)} in 100`"
      /><span class="mono">{{ Math.round(100 * blocked) }} %</span></label
    >
    <div v-if="plot && curves" class="drawing-scroll">
      <svg
        class="drawing"
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        aria-label="Suction at the pump over speed, cold and hot"
      >
        <path v-for="tick in plot.ticks" :key="tick" :d="`M 64 ${plot.y(tick)} H ${WIDTH - 94}`" stroke="var(--rule)" />
        <text
          v-for="tick in plot.ticks"
          :key="`t${tick}`"
          x="56"
          :y="plot.y(tick) + 5"
          text-anchor="end"
          class="quiet-text"
        >
          {{ units.show(tick, 'pressure', units.fine) }}
        </text>
        <path :d="`M 64 ${plot.limit} H ${WIDTH - 94}`" stroke="var(--stop)" stroke-width="2" stroke-dasharray="7 4" />
        <text :x="72" :y="plot.limit - 6" style="fill: var(--stop)">starves: air comes out of the oil</text>
        <path :d="plot.cold" class="line" stroke-width="2.4" style="stroke: var(--petrol); stroke-width: 2.6" />
        <path :d="plot.hot" class="line" style="stroke: var(--oil); stroke-width: 2.6" />
        <path
          v-for="each in plot.bars"
          :key="`b${each.key}`"
          :d="`M ${each.x - 4} ${each.to} h 8 M ${each.x} ${each.to} V ${each.from} M ${each.x - 4} ${each.from} h 8`"
          fill="none"
          :stroke="each.colour"
          stroke-width="1.6"
        />
        <text :x="WIDTH - 84" :y="plot.labels.cold + 5">
          cold, {{ units.say(curves.cold.temperature, 'temperature') }}
        </text>
        <text :x="WIDTH - 84" :y="plot.labels.hot + 5">
          hot, {{ units.say(curves.hot.temperature, 'temperature') }}
        </text>
        <text
          v-for="mark in plot.marks"
          :key="mark"
          :x="plot.x(mark)"
          :y="HEIGHT - 24"
          text-anchor="middle"
          class="quiet-text"
        >
          {{ units.show(mark, 'speed') }}
        </text>
        <text :x="(WIDTH - 22) / 2" :y="HEIGHT - 6" text-anchor="middle" class="quiet-text">
          speed, {{ units.unit('speed').symbol }}; suction upward, {{ units.unit('pressure').symbol }} below air
        </text>
      </svg>
    </div>
    <JudgementLine v-for="each in verdicts" :key="each.words" :verdict="each.verdict"
      ><b
        >{{ each.words === 'cold' ? 'Cold' : 'Hot' }}, {{ units.say(each.temperature, 'temperature') }}:
        <template v-if="each.at !== undefined">starves from {{ units.say(each.at, 'speed') }}.</template
        ><template v-else
          >{{ units.say(each.margin, 'pressure', units.fine) }} left at its hardest, up to
          {{ units.say(maximum, 'speed') }}.</template
        ></b
      >
      With what is uncertain {{ units.show(each.hardest.low, 'pressure', units.fine) }} to
      {{ units.say(each.hardest.high, 'pressure', units.fine) }} at {{ units.say(each.hardest.speed, 'speed')
      }}{{
        each.at === undefined && each.verdict === 'watch'
          ? ', which reaches past the limit: measure the tube, the mouth and the floor.'
          : '.'
      }}
      {{
        each.at === undefined
          ? ''
          : each.words === 'cold'
            ? 'Keep below it until the oil is warm, or take a wider tube or a thinner winter grade.'
            : 'A wider tube, a freer mouth or a smaller pump: bearings run dry there.'
      }}</JudgementLine
    >
    <p class="quiet areas">
      Ways in: tube <b class="mono">{{ area(areas.tube) }}</b>, ring under the mouth
      <b class="mono">{{ area(areas.ring) }}</b>, open screen <b class="mono">{{ area(areas.screen) }}</b>{{
        areas.ring < 1.5 * areas.tube
          ? '. The ring is hardly wider than the tube: the floor is too close.'
          : areas.screen < 1.5 * areas.tube
            ? '. The screen is hardly wider than the tube: clean it.'
            : '.'
      }}
    </p>
  </div>
</template>

<style scoped>
.slide {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 44px;
  max-width: 520px;
}
.slide input {
  flex: 1;
  accent-color: var(--petrol);
}
.slide .mono {
  min-width: 56px;
  text-align: right;
}
.areas {
  padding-top: 10px;
}
</style>
