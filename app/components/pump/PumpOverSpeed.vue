<script setup lang="ts">
import type { Ranged } from '#core/outlook/band'
import type { PumpCurve } from '#core/outlook/pumpOver'
import { decimalsFor } from '#core/quantity/format'
import type { Dimension } from '#core/quantity/units'
import { keptApart, linePath, roundTicks, stayingBelow } from '~/composables/plot'

/** What the pump sweeps, delivers and takes over speed, cold and hot, in this engine's own circuit. */
const build = useBuild()
const units = useUnits()
const { value: found } = useAnswer(
  (_, slow) => (build.sheet ? slow().pumpOver(build.sheet) : undefined),
  () => build.sheet,
)
const OILS = [
  { key: 'cold', colour: 'var(--petrol)' },
  { key: 'hot', colour: 'var(--oil)' },
] as const
const [LEFT, RIGHT, TOP, FOOT, WIDTH, HEIGHT] = [64, 96, 10, 42, 700, 204]

interface Line {
  name: string
  colour: string
  dashed?: boolean
  values: number[]
  band?: Ranged & { speed: number }
}
function chartOf(dimension: Dimension, words: string, most: number, lines: Line[]) {
  const { speeds } = found.value!
  const [from, to] = [speeds[0], speeds.at(-1)!]
  const x = (speed: number) => LEFT + ((speed - from) / (to - from)) * (WIDTH - LEFT - RIGHT)
  const y = (value: number) => TOP + (1 - value / most) * (HEIGHT - TOP - FOOT)
  const drawn = lines.map(({ values }) => stayingBelow(values, most))
  const ends = keptApart(drawn.map((points) => y(points.at(-1)![1])))
  const ticks = roundTicks(0, most, units.unit(dimension), 5)
  return {
    dimension,
    words,
    x,
    y,
    ticks,
    decimals: decimalsFor(ticks[1] - ticks[0], units.unit(dimension)),
    marks: roundTicks(from, to, units.unit('speed'), 5),
    lines: lines.map(({ name, colour, dashed, band }, i) => {
      const points = drawn[i].map(([place, value]) => [x(from + place * (to - from)), y(value)] as const)
      // A line that leaves the chart is named where it does.
      const leaves = drawn[i].at(-1)![0] < 1
      return {
        name,
        colour,
        dashed,
        d: linePath(points),
        label: leaves ? [points.at(-1)![0] + 8, TOP + 12] : [WIDTH - RIGHT + 8, ends[i] + 5],
        bar: band && { x: x(band.speed), from: y(band.low), to: y(band.high) },
      }
    }),
  }
}
const charts = computed(() => {
  if (!found.value) return []
  const { swept, ...curves } = found.value
  const of = (pick: (curve: PumpCurve) => [number[], Ranged]): Line[] =>
    OILS.map(({ key, colour }) => {
      const [values, band] = pick(curves[key])
      return {
        name: `${key}, ${units.say(curves[key].temperature, 'temperature')}`,
        colour,
        values,
        band: { ...band, speed: curves[key].met.speed },
      }
    })
  // Oil does not stay cold at speed: what it would take there must not flatten what the drive really takes.
  const watts = 1.25 * Math.max(...curves.hot.power, curves.hot.met.power.high, curves.cold.met.power.high)
  return [
    chartOf('flow', 'Delivered', 1.02 * swept.at(-1)!, [
      { name: 'swept', colour: 'var(--quiet)', dashed: true, values: swept },
      ...of(({ delivered, met }) => [delivered, met.delivered]),
    ]),
    chartOf(
      'power',
      'Drive',
      watts,
      of(({ power, met }) => [power, met.power]),
    ),
  ]
})
/** Where each is met, in figures with their bands. */
const rows = computed(() => (found.value ? OILS.map(({ key }) => ({ key, ...found.value![key] })) : []))
const ranged = ({ best, low, high }: Ranged, dimension: Dimension) => ({
  best: units.say(best, dimension),
  band: `${units.show(low, dimension)} to ${units.show(high, dimension)}`,
})
</script>

<template>
  <div v-if="found">
    <section v-for="chart in charts" :key="chart.dimension" class="block">
      <h2>{{ chart.words }}, {{ units.unit(chart.dimension).symbol }}</h2>
      <div class="drawing-scroll">
        <svg
          class="drawing"
          :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
          role="img"
          :aria-label="`${chart.words} over speed, cold and hot`"
        >
          <path
            v-for="tick in chart.ticks"
            :key="tick"
            :d="`M ${LEFT} ${chart.y(tick)} H ${WIDTH - RIGHT}`"
            stroke="var(--rule)"
          />
          <text
            v-for="tick in chart.ticks"
            :key="`t${tick}`"
            :x="LEFT - 8"
            :y="chart.y(tick) + 5"
            text-anchor="end"
            class="quiet-text"
          >
            {{ units.show(tick, chart.dimension, chart.decimals) }}
          </text>
          <text
            v-for="mark in chart.marks"
            :key="`m${mark}`"
            :x="chart.x(mark)"
            :y="HEIGHT - 22"
            text-anchor="middle"
            class="quiet-text"
          >
            {{ units.show(mark, 'speed') }}
          </text>
          <text :x="LEFT + (WIDTH - LEFT - RIGHT) / 2" :y="HEIGHT - 5" text-anchor="middle" class="quiet-text">
            crank speed, {{ units.unit('speed').symbol }}
          </text>
          <template v-for="line in chart.lines" :key="line.name">
            <path
              :d="line.d"
              fill="none"
              :stroke="line.colour"
              :stroke-width="line.dashed ? 1.6 : 2.6"
              :stroke-dasharray="line.dashed ? '6 4' : undefined"
            />
            <path
              v-if="line.bar"
              :d="`M ${line.bar.x - 4} ${line.bar.to} h 8 M ${line.bar.x} ${line.bar.to} V ${line.bar.from} M ${line.bar.x - 4} ${line.bar.from} h 8`"
              fill="none"
              :stroke="line.colour"
              stroke-width="1.6"
            />
            <text :x="line.label[0]" :y="line.label[1]">{{ line.name }}</text>
          </template>
        </svg>
      </div>
    </section>
    <section class="block">
      <h2>Where such oil is met</h2>
      <div v-for="row in rows" :key="row.key" class="row" :data-oil="row.key">
        <span class="what"
          >{{ row.key === 'cold' ? 'Cold idle' : 'Working hot' }}, {{ units.say(row.met.speed, 'speed')
          }}<span class="origin">sweeps {{ units.say(row.met.swept, 'flow') }}</span></span
        >
        <span
          v-for="[words, figure] in [
            ['delivers', ranged(row.met.delivered, 'flow')],
            ['takes', ranged(row.met.power, 'power')],
          ] as const"
          :key="words"
          class="figure"
          ><span class="quiet">{{ words }}</span> {{ figure.best }}<span class="unit">{{ figure.band }}</span></span
        >
      </div>
    </section>
  </div>
  <p v-else class="quiet">Turning the pump by the model</p>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 4px 26px;
  align-items: baseline;
}
.figure .quiet {
  font-family: var(--type);
  font-size: 15px;
}
.figure .unit {
  margin-left: 8px;
}
@media (max-width: 700px) {
  .row {
    grid-template-columns: 1fr;
  }
  .figure {
    text-align: left;
  }
}
</style>
