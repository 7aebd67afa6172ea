<script setup lang="ts">
import { t } from '~/words/of/start'
import type { Band } from '#core/outlook/band'
import type { ChannelSample } from '#core/run/channels'
import { fromSI } from '#core/quantity/units'

/** Pressure of a run as it comes, over its last seconds, on the band that was expected; drawn plainly so that ten readings a second cost nothing. */
const {
  samples,
  band = [],
  least,
  most,
  seconds = 120,
  top,
  height = 250,
} = defineProps<{
  samples: readonly ChannelSample[]
  /** Expected at times, s. */
  band?: readonly (Band & { time: number })[]
  least?: number
  most?: number
  /** Length of what is shown, s; everything when nothing. */
  seconds?: number
  /** Top of the scale, Pa. */
  top: number
  height?: number
}>()
const units = useUnits()
const clip = useId()
const isPressure = ({ pressure, gauge }: ChannelSample) => pressure !== undefined || gauge !== undefined
const WIDTH = 760
const LEFT = 50
const FOOT = 26
const end = computed(() => Math.max(seconds || 1, samples[samples.length - 1]?.time ?? 0))
const begin = computed(() => (seconds ? end.value - seconds : 0))
const x = (time: number) => LEFT + ((time - begin.value) / (end.value - begin.value)) * (WIDTH - LEFT - 8)
const y = (pressure: number) =>
  height - FOOT - (Math.max(0, Math.min(pressure, 1.05 * top)) / top) * (height - FOOT - 10)

/** What falls into the window, thinned to the highest and lowest of every two pixels, so that no spike is lost. */
const shown = computed(() =>
  thin(
    samples.filter((sample) => sample.time >= begin.value - 1 && isPressure(sample)),
    2 * WIDTH,
  ),
)
function thin(list: ChannelSample[], most: number): ChannelSample[] {
  if (list.length <= most) return list
  const size = Math.ceil((2 * list.length) / most)
  const kept: ChannelSample[] = []
  const of = (sample: ChannelSample) => sample.gauge ?? sample.pressure ?? 0
  for (let i = 0; i < list.length; i += size) {
    const piece = list.slice(i, i + size)
    const high = piece.reduce((a, b) => (of(b) > of(a) ? b : a))
    const low = piece.reduce((a, b) => (of(b) < of(a) ? b : a))
    kept.push(...(high.time < low.time ? [high, low] : high === low ? [high] : [low, high]))
  }
  return kept
}
const line = (key: 'pressure' | 'gauge') =>
  shown.value
    .filter((sample) => sample[key] !== undefined)
    .map((sample, i) => `${i === 0 ? 'M' : 'L'}${x(sample.time).toFixed(1)} ${y(sample[key]!).toFixed(1)}`)
    .join('')
const area = computed(() => {
  const inside = band.filter(({ time }) => time >= begin.value - 5 && time <= end.value)
  if (inside.length < 2) return ''
  return `M${inside.map((each) => `${x(each.time).toFixed(1)} ${y(each.high).toFixed(1)}`).join('L')}L${[...inside]
    .reverse()
    .map((each) => `${x(each.time).toFixed(1)} ${y(each.low).toFixed(1)}`)
    .join('L')}Z`
})
const pressureTicks = computed(() => {
  const unit = units.unit('pressure')
  const full = fromSI(top, unit)
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500].find((each) => full / each <= 6) ?? full
  return Array.from({ length: Math.floor(full / step) + 1 }, (_, i) => ({
    words: String(Number((i * step).toFixed(2))),
    at: height - FOOT - ((i * step) / full) * (height - FOOT - 10),
  }))
})
const timeTicks = computed(() => {
  const length = end.value - begin.value
  const step = [5, 10, 20, 30, 60, 120, 300, 600, 1200].find((each) => length / each <= 7) ?? 3600
  const first = Math.ceil(begin.value / step) * step
  return Array.from({ length: Math.floor((end.value - first) / step) + 1 }, (_, i) => first + i * step).filter(
    (time) => time >= 0,
  )
})
const clock = (time: number) =>
  time < 60 ? `${Math.round(time)} s` : `${Math.floor(time / 60)}:${String(Math.round(time % 60)).padStart(2, '0')}`
/** The last that was read of a pressure: a speed or a temperature that came alone after it is no reading of nothing. */
const lastSample = computed(() => samples.findLast(isPressure))
</script>

<template>
  <figure class="strip-chart" :data-samples="samples.length">
    <svg
      :viewBox="`0 0 ${WIDTH} ${height}`"
      role="img"
      :aria-label="
        t('stripChart.pressureOverTime', {
          lastSample: lastSample
            ? t('stripChart.now', { gauge: units.say(lastSample.gauge ?? lastSample.pressure ?? 0, 'pressure', 2) })
            : '',
        })
      "
    >
      <line
        v-for="tick in pressureTicks"
        :key="tick.words"
        class="grid"
        :x1="LEFT"
        :x2="WIDTH - 8"
        :y1="tick.at"
        :y2="tick.at"
      />
      <text
        v-for="tick in pressureTicks"
        :key="`t${tick.words}`"
        class="tick"
        :x="LEFT - 7"
        :y="tick.at + 5"
        text-anchor="end"
      >
        {{ tick.words }}
      </text>
      <text
        v-for="time in timeTicks"
        :key="time"
        class="tick"
        :x="x(time)"
        :y="height - 6"
        :text-anchor="x(time) > WIDTH - 36 ? 'end' : 'middle'"
      >
        {{ clock(time) }}
      </text>
      <text class="unit" x="0" y="12">{{ units.unit('pressure').symbol }}</text>
      <defs>
        <clipPath :id="clip"><rect :x="LEFT" y="0" :width="WIDTH - LEFT" :height="height - FOOT + 1" /></clipPath>
      </defs>
      <path v-if="area" class="band" :d="area" :clip-path="`url(#${clip})`" />
      <line v-if="most" class="most" :x1="LEFT" :x2="WIDTH - 8" :y1="y(most)" :y2="y(most)" />
      <line v-if="least" class="least" :x1="LEFT" :x2="WIDTH - 8" :y1="y(least)" :y2="y(least)" />
      <text v-if="least" class="least-text" :x="WIDTH - 10" :y="y(least) - 6" text-anchor="end">
        {{ t('stripChart.least', { least: units.say(least, 'pressure') }) }}
      </text>
      <path
        class="reading"
        :clip-path="`url(#${clip})`"
        :class="{ second: samples.some(({ gauge }) => gauge !== undefined) }"
        :d="line('pressure')"
      />
      <path class="reading" :clip-path="`url(#${clip})`" :d="line('gauge')" />
      <circle
        v-if="lastSample"
        class="dot"
        r="5"
        :cx="x(lastSample.time)"
        :cy="y(lastSample.gauge ?? lastSample.pressure ?? 0)"
      />
    </svg>
  </figure>
</template>

<style scoped>
.strip-chart {
  margin: 0;
}
svg {
  display: block;
  width: 100%;
}
.grid {
  stroke: var(--rule);
}
.tick,
.unit {
  font-family: var(--mono);
  font-size: 15px;
  fill: var(--quiet);
}
.band {
  fill: var(--oil-wash);
}
.reading {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
  stroke-linejoin: round;
}
.reading.second {
  stroke: var(--quiet);
  stroke-width: 1.3;
  stroke-dasharray: 3 2;
}
.dot {
  fill: var(--ink);
}
.most {
  stroke: var(--stop);
  stroke-width: 1.6;
}
.least {
  stroke: var(--watch);
  stroke-width: 1.4;
  stroke-dasharray: 7 5;
}
.least-text {
  font-family: var(--type);
  font-size: 15px;
  fill: var(--watch);
}
</style>
