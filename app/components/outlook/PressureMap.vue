<script setup lang="ts">
import { oilOf } from '#core/record/oil'
import type { OutlookMap } from '#core/outlook/map'
import { targetBetween } from '#core/outlook/outlook'
import { roundTicks } from '~/composables/plot'

/** Gauge pressure over speed and oil temperature: the edge of its target, the edge of where it may fall short, and what is read at the place under the finger. */
const { map } = defineProps<{ map: OutlookMap }>()
const build = useBuild()
const units = useUnits()
const { value: band } = useAnswer(
  (_, slow) =>
    build.sheet
      ? slow().mapBand(build.sheet, { speeds: map.speeds, temperatures: map.temperatures, pressure: map.pressure })
      : undefined,
  () => map,
)
const [LEFT, TOP, WIDTH, HEIGHT] = [62, 8, 590, 230]
/** Places that are written out, as shares of speed and temperature. */
const WRITTEN = [0.2, 0.5, 0.74].flatMap((up) => [0.28, 0.54, 0.8].map((along) => ({ along, up })))

interface Cell {
  x: number
  y: number
  speed: number
  temperature: number
  value: number
  share: number
  least: number
  under: boolean
}
const grid = computed(() => {
  const { speeds, temperatures, pressure } = map
  const sheet = build.sheet!
  const oil = oilOf(sheet)
  const most = Math.max(...pressure)
  const [w, h] = [WIDTH / speeds.length, HEIGHT / temperatures.length]
  const cells = temperatures.flatMap((temperature, row) =>
    speeds.map((speed, column): Cell => {
      const value = pressure[row * speeds.length + column]
      const { least } = targetBetween(sheet, oil, speed, temperature)
      return {
        x: LEFT + column * w,
        y: TOP + HEIGHT - (row + 1) * h,
        speed,
        temperature,
        value,
        share: value / most,
        least,
        under: value < least,
      }
    }),
  )
  return { cells, w, h, across: speeds.length, down: temperatures.length }
})
/** Edge of a region, cell by cell: where one that lies in it meets one that does not. */
function edgeOf(inside: (place: number) => boolean): string {
  const { cells, w, h, across, down } = grid.value
  return cells
    .map(({ x, y }, place) => {
      const own = inside(place)
      const right =
        place % across < across - 1 && inside(place + 1) !== own
          ? `M ${(x + w).toFixed(1)} ${y.toFixed(1)} v ${h.toFixed(2)}`
          : ''
      return place < across * (down - 1) && inside(place + across) !== own
        ? `${right}M ${x.toFixed(1)} ${y.toFixed(1)} h ${w.toFixed(2)}`
        : right
    })
    .join('')
}
const short = computed(() => grid.value.cells.filter(({ under }) => under).length)
const edge = computed(() => edgeOf((place) => grid.value.cells[place].under))
const mayBe = (place: number) => band.value!.low[place] < grid.value.cells[place].least
const doubtful = computed(() => (band.value ? edgeOf(mayBe) : ''))
const doubts = computed(() => (band.value ? grid.value.cells.filter((_, place) => mayBe(place)).length : undefined))
const placeAt = (along: number, up: number) => {
  const { across, down } = grid.value
  return (
    Math.min(down - 1, Math.max(0, Math.floor(up * down))) * across +
    Math.min(across - 1, Math.max(0, Math.floor(along * across)))
  )
}
const written = computed(() =>
  band.value
    ? WRITTEN.map(({ along, up }) => {
        const place = placeAt(along, up)
        const { x, y, value } = grid.value.cells[place]
        return {
          x: x + 0.5 * grid.value.w,
          y: y + 0.5 * grid.value.h,
          figure: units.show(value, 'pressure', units.fine),
          band: rangeAt(place),
        }
      })
    : [],
)
const rangeAt = (place: number) =>
  band.value
    ? `${units.show(band.value.low[place], 'pressure', units.fine)} to ${units.show(band.value.high[place], 'pressure', units.fine)}`
    : ''

const touched = ref<number>()
function touch(event: PointerEvent) {
  const box = (event.currentTarget as Element).getBoundingClientRect()
  touched.value = placeAt((event.clientX - box.left) / box.width, 1 - (event.clientY - box.top) / box.height)
}
const ticks = computed(() => {
  const of = (values: number[], quantity: 'speed' | 'temperature', from: number, length: number) => {
    const [first, last] = [values[0], values.at(-1)!]
    return roundTicks(first, last, units.unit(quantity), 5).map((value) => ({
      words: units.show(value, quantity, 0),
      at: from + ((value - first) / (last - first)) * length,
    }))
  }
  return {
    speeds: of(map.speeds, 'speed', LEFT, WIDTH),
    temperatures: of(map.temperatures, 'temperature', TOP + HEIGHT, -HEIGHT),
  }
})
</script>

<template>
  <div>
    <div class="drawing-scroll">
      <svg
        class="drawing"
        viewBox="0 0 732 284"
        role="img"
        :aria-label="`Pressure map: ${short} of ${grid.cells.length} places are under the target${doubts === undefined ? '' : `, ${doubts} may be`}`"
      >
        <g @pointermove="touch" @pointerdown="touch">
          <rect
            v-for="(cell, i) in grid.cells"
            :key="i"
            :x="cell.x"
            :y="cell.y"
            :width="grid.w + 0.4"
            :height="grid.h + 0.4"
            :style="{ fill: `color-mix(in srgb, var(--oil) ${Math.round(6 + 88 * cell.share)}%, var(--sheet))` }"
          />
        </g>
        <g class="through">
          <path :d="doubtful" class="doubtful" data-testid="may-fall-short" />
          <path :d="edge" class="edge" data-testid="contour" />
          <g v-for="(each, i) in written" :key="`w${i}`">
            <rect class="chip" :x="each.x - 42" :y="each.y - 17" width="84" height="34" rx="2" />
            <text :x="each.x" :y="each.y - 2" text-anchor="middle" class="figure-text">{{ each.figure }}</text>
            <text :x="each.x" :y="each.y + 13" text-anchor="middle" class="band">{{ each.band }}</text>
          </g>
          <rect
            v-if="touched !== undefined"
            class="touched"
            :x="grid.cells[touched].x"
            :y="grid.cells[touched].y"
            :width="grid.w"
            :height="grid.h"
          />
        </g>
        <template v-for="tick in ticks.temperatures" :key="tick.words">
          <path class="thin" :d="`M ${LEFT - 5} ${tick.at} h 5`" />
          <text :x="LEFT - 9" :y="tick.at + 5" text-anchor="end" class="quiet-text">{{ tick.words }}</text>
        </template>
        <template v-for="tick in ticks.speeds" :key="tick.words">
          <path class="thin" :d="`M ${tick.at} ${TOP + HEIGHT} v 5`" />
          <text :x="tick.at" :y="TOP + HEIGHT + 20" text-anchor="middle" class="quiet-text">{{ tick.words }}</text>
        </template>
        <text
          :x="14"
          :y="TOP + HEIGHT / 2"
          text-anchor="middle"
          class="quiet-text"
          :transform="`rotate(-90 14 ${TOP + HEIGHT / 2})`"
        >
          oil, {{ units.unit('temperature').symbol }}
        </text>
        <text :x="LEFT + WIDTH / 2" :y="TOP + HEIGHT + 40" text-anchor="middle" class="quiet-text">
          crank speed, {{ units.unit('speed').symbol }}
        </text>
      </svg>
    </div>
    <p class="key">
      <span
        ><svg width="26" height="8" aria-hidden="true"><path class="edge" d="M 0 4 H 26" /></svg>
        {{ short === 0 ? 'nowhere under its target' : 'edge of its target' }}</span
      >
      <span v-if="doubts !== undefined"
        ><svg width="26" height="8" aria-hidden="true"><path class="doubtful" d="M 0 4 H 26" /></svg>
        {{
          doubts === 0
            ? 'nor can it be, with all that is uncertain'
            : 'from here on it may fall short, with what is uncertain'
        }}</span
      >
    </p>
    <p class="touch" data-testid="touched">
      <template v-if="touched !== undefined"
        >{{ units.say(grid.cells[touched].speed, 'speed') }}, oil at
        {{ units.say(grid.cells[touched].temperature, 'temperature') }}:
        <b class="mono">{{ units.say(grid.cells[touched].value, 'pressure', units.fine) }}</b>{{ ' '
        }}<span class="quiet"
          >{{ rangeAt(touched) && `(${rangeAt(touched)})` }}, wanted
          {{ units.say(grid.cells[touched].least, 'pressure', units.fine) }} or more</span
        ></template
      ><span v-else class="quiet"
        >Touch the map to read a place. Figures in {{ units.unit('pressure').symbol }}, with their bands.</span
      >
    </p>
  </div>
</template>

<style scoped>
.through {
  pointer-events: none;
}
.edge {
  stroke: var(--stop);
  stroke-width: 2.6;
  fill: none;
}
.doubtful {
  stroke: var(--stop);
  stroke-width: 1.6;
  stroke-dasharray: 5 4;
  fill: none;
}
.chip {
  fill: var(--sheet);
  opacity: 0.82;
}
.drawing text.band {
  font-family: var(--mono);
  font-size: 12px;
}
.touched {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.key {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
}
.key svg {
  vertical-align: middle;
}
.touch {
  min-height: 28px;
}
</style>
