<script setup lang="ts">
import { t } from '~/words/of/outlook'
import { oilOf } from '#core/record/oil'
import type { OutlookMap } from '#core/outlook/map'
import { targetBetween } from '#core/outlook/outlook'
import { roundTicks } from '~/composables/plot'
import { regionOver, shadesOf } from './mapContours'

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
const [LEFT, TOP, WIDTH, HEIGHT] = [62, 8, 580, 264]
const FRAME = { left: LEFT, top: TOP, width: WIDTH, height: HEIGHT }
/** Steps of the scale, about. */
const STEPS = 12
/** Places that are written out, as shares of speed and temperature. */
const WRITTEN = [0.16, 0.5, 0.84].flatMap((up) => [0.28, 0.54, 0.8].map((along) => ({ along, up })))

const grid = computed(() => {
  const { speeds, temperatures, pressure } = map
  const [across, down] = [speeds.length, temperatures.length]
  const oil = oilOf(build.sheet!)
  const places = temperatures.flatMap((temperature, row) =>
    speeds.map((speed, column) => ({
      x: LEFT + (column / (across - 1)) * WIDTH,
      y: TOP + HEIGHT - (row / (down - 1)) * HEIGHT,
      speed,
      temperature,
      value: pressure[row * across + column],
      least: targetBetween(build.sheet!, oil, speed, temperature).least,
    })),
  )
  return { places, across, down }
})
/** Outline of where a value at each place is not negative. */
const where = (of: (place: number) => number) =>
  regionOver({ ...grid.value, values: grid.value.places.map((_, place) => of(place)) }, 0, FRAME)
const missing = (place: number) => grid.value.places[place].least - grid.value.places[place].value
const mayMiss = (place: number) => grid.value.places[place].least - band.value!.low[place]
const short = computed(() => grid.value.places.filter((_, place) => missing(place) > 0).length)
const edge = computed(() => where(missing))
const doubtful = computed(() => (band.value ? where(mayMiss) : ''))
const doubts = computed(() =>
  band.value ? grid.value.places.filter((_, place) => mayMiss(place) > 0).length : undefined,
)
/** The scale: round steps of pressure, each with the region that reaches it. */
const scale = computed(() => {
  const values = grid.value.places.map(({ value }) => value)
  const steps = roundTicks(Math.min(...values), Math.max(...values), units.unit('pressure'), STEPS)
  const shades = shadesOf(steps, values)
  const room = HEIGHT / (steps.length + 1)
  return steps.map((step, i) => ({
    words: units.show(step, 'pressure', units.unit('pressure').symbol === 'bar' ? 1 : 0),
    fill: `color-mix(in srgb, var(--oil) ${Math.round(8 + 84 * shades[i])}%, var(--sheet))`,
    region: regionOver({ ...grid.value, values }, step, FRAME),
    y: TOP + HEIGHT - (i + 2) * room,
    room,
    foot: TOP + HEIGHT - (i + 1) * room,
  }))
})
const placeAt = (along: number, up: number) => {
  const { across, down } = grid.value
  const nearest = (share: number, count: number) => Math.round(Math.min(1, Math.max(0, share)) * (count - 1))
  return nearest(up, down) * across + nearest(along, across)
}
const written = computed(() =>
  band.value
    ? WRITTEN.map(({ along, up }) => {
        const place = placeAt(along, up)
        const { x, y, value } = grid.value.places[place]
        return { x, y, figure: units.show(value, 'pressure', units.fine), band: rangeAt(place) }
      })
    : [],
)
const rangeAt = (place: number) =>
  band.value
    ? t('pressureMap.to', {
        low: units.show(band.value.low[place], 'pressure', units.fine),
        high: units.show(band.value.high[place], 'pressure', units.fine),
      })
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
  <div class="predicted">
    <div class="drawing-scroll">
      <svg
        class="drawing"
        viewBox="0 0 732 320"
        role="img"
        :aria-label="
          t('pressureMap.pressureMapOfPlacesAreUnder', {
            short,
            count: grid.places.length,
            doubts: doubts === undefined ? '' : t('pressureMap.mayBe', { doubts }),
          })
        "
      >
        <clipPath id="map-frame"><rect :x="LEFT" :y="TOP" :width="WIDTH" :height="HEIGHT" /></clipPath>
        <g clip-path="url(#map-frame)" @pointermove="touch" @pointerdown="touch">
          <rect class="ground" :x="LEFT" :y="TOP" :width="WIDTH" :height="HEIGHT" />
          <path
            v-for="step in scale"
            :key="step.words"
            class="step"
            :d="step.region"
            :style="{ fill: step.fill }"
            fill-rule="evenodd"
          />
        </g>
        <g class="through">
          <g clip-path="url(#map-frame)">
            <path :d="doubtful" class="map-edge doubtful" data-testid="may-fall-short" />
            <path :d="edge" class="map-edge" data-testid="contour" />
          </g>
          <g v-for="(each, i) in written" :key="`w${i}`">
            <rect class="chip" :x="each.x - 62" :y="each.y - 19" width="124" height="38" rx="2" />
            <text :x="each.x" :y="each.y - 3" text-anchor="middle" class="figure-text">{{ each.figure }}</text>
            <text :x="each.x" :y="each.y + 14" text-anchor="middle" class="band">{{ each.band }}</text>
          </g>
          <path
            v-if="touched !== undefined"
            class="touched"
            :d="`M ${LEFT} ${grid.places[touched].y} H ${LEFT + WIDTH} M ${grid.places[touched].x} ${TOP} V ${TOP + HEIGHT}`"
          />
        </g>
        <g aria-hidden="true" data-testid="scale">
          <rect class="ground" :x="LEFT + WIDTH + 16" :y="TOP" width="18" :height="HEIGHT" />
          <template v-for="step in scale" :key="`s${step.words}`">
            <rect
              :x="LEFT + WIDTH + 16"
              :y="step.y"
              width="18"
              :height="step.room + 0.4"
              :style="{ fill: step.fill }"
            />
            <text :x="LEFT + WIDTH + 40" :y="step.foot + 5" class="quiet-text">{{ step.words }}</text>
          </template>
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
          {{ t('pressureMap.oil', { unit: units.unit('temperature').symbol }) }}
        </text>
        <text :x="LEFT + WIDTH / 2" :y="TOP + HEIGHT + 40" text-anchor="middle" class="quiet-text">
          {{ t('pressureMap.crankSpeed', { unit: units.unit('speed').symbol }) }}
        </text>
      </svg>
    </div>
    <MapKey :short="short" :doubts="doubts" />
    <p class="touch" data-testid="touched">
      <template v-if="touched !== undefined"
        >{{
          t('pressureMap.oilAt', {
            speed: units.say(grid.places[touched].speed, 'speed'),
            temperature: units.say(grid.places[touched].temperature, 'temperature'),
          })
        }}
        <b class="mono">{{ units.say(grid.places[touched].value, 'pressure', units.fine) }}</b>{{ ' '
        }}<span class="quiet">{{
          t('pressureMap.wantedOrMore', {
            rangeAt: rangeAt(touched) && `(${rangeAt(touched)})`,
            least: units.say(grid.places[touched].least, 'pressure', units.fine),
          })
        }}</span></template
      ><span v-else class="quiet">{{
        t('pressureMap.touchTheMapToReadA', { unit: units.unit('pressure').symbol })
      }}</span>
    </p>
  </div>
</template>

<style scoped>
.through {
  pointer-events: none;
}
.ground {
  fill: var(--sheet);
}
.step {
  stroke: var(--sheet);
  stroke-opacity: 0.5;
  stroke-width: 1;
}
.chip {
  fill: var(--sheet);
  opacity: 0.88;
}
.drawing text.band {
  font-family: var(--mono);
  font-size: 15px;
}
.touched {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1;
}
.touch {
  min-height: 28px;
}
</style>
