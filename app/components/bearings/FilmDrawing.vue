<script setup lang="ts">
import { t } from '~/words/of/bearings'
import type { GrooveArcs } from '#core/bearing/grooved'
import type { JournalFilm } from '#core/outlook/journalFilm'

/** Shell pair from the front: groove, film exaggerated, pressure outward, the journal where it runs, its orbit when there is one. */
const { film, groove, orbit } = defineProps<{
  film: JournalFilm
  groove: GrooveArcs
  orbit?: { x: Float64Array; y: Float64Array; degree: number; eccentricity: number }
}>()
const CENTRE = 150
const SHELL = 92
/** The film is drawn this many pixels thick where its height is the clearance. */
const GAP = 20
const at = (angle: number, radius: number) => [CENTRE + radius * Math.sin(angle), CENTRE - radius * Math.cos(angle)]
const path = (radii: number[]) =>
  `${radii
    .map(
      (radius, i) =>
        `${i ? 'L' : 'M'}${at((2 * Math.PI * i) / radii.length, radius)
          .map((value) => value.toFixed(1))
          .join(' ')}`,
    )
    .join('')}Z`
const inner = computed(() => path(film.film.map((height) => SHELL - (GAP * height) / film.radialClearance)))
const outer = computed(() => path(film.film.map(() => SHELL)))
const pressure = computed(() =>
  path(film.pressure.map((value) => SHELL + 7 + (44 * Math.max(0, value)) / film.peakPressure)),
)
const base = computed(() => path(film.film.map(() => SHELL + 7)))
/** The upper shell's groove about its crown; the lower's from both parting lines down. */
const grooves = computed(() => {
  const { upper, lower } = groove
  const down = 0.5 * Math.PI + 0.5 * lower
  const spans = [
    [-0.5 * upper, 0.5 * upper],
    [0.5 * Math.PI, down],
    [-down, -0.5 * Math.PI],
  ]
  return spans
    .filter(([from, to]) => to > from)
    .map(([from, to]) => {
      const [x1, y1] = at(from, SHELL + 3.5)
      const [x2, y2] = at(to, SHELL + 3.5)
      return `M${x1} ${y1}A${SHELL + 3.5} ${SHELL + 3.5} 0 0 1 ${x2} ${y2}`
    })
    .join('')
})
const thinnest = computed(() => at(film.thinnestAngle, SHELL - 26))
const mark = computed(() => at(film.thinnestAngle, SHELL + 1))
const path2 = computed(() => {
  if (!orbit) return ''
  const points = Array.from({ length: 241 }, (_, i) => [orbit.x[(3 * i) % 720], orbit.y[(3 * i) % 720]])
  return points
    .map(([x, y], i) => `${i ? 'L' : 'M'}${(CENTRE + 34 * x).toFixed(1)} ${(CENTRE - 34 * y).toFixed(1)}`)
    .join('')
})
</script>

<template>
  <svg
    class="drawing film"
    viewBox="0 0 300 300"
    role="img"
    :aria-label="t('filmDrawing.filmOfTheJournalThinnest', { angle: Math.round((film.thinnestAngle * 180) / Math.PI) })"
  >
    <path :d="`${pressure}${base}`" class="pressure" fill-rule="evenodd" />
    <circle :cx="CENTRE" :cy="CENTRE" :r="SHELL + 7" class="thin" />
    <path :d="`${outer}${inner}`" class="oil" fill-rule="evenodd" />
    <path :d="outer" class="line" />
    <path :d="inner" class="journal" />
    <path :d="grooves" class="groove" />
    <line :x1="CENTRE - SHELL - 10" :x2="CENTRE - SHELL + 2" :y1="CENTRE" :y2="CENTRE" class="line" />
    <line :x1="CENTRE + SHELL - 2" :x2="CENTRE + SHELL + 10" :y1="CENTRE" :y2="CENTRE" class="line" />
    <line :x1="thinnest[0]" :y1="thinnest[1]" :x2="mark[0]" :y2="mark[1]" class="least" :class="film.verdict" />
    <template v-if="orbit">
      <circle :cx="CENTRE" :cy="CENTRE" r="34" class="clearance" />
      <path :d="path2" class="orbit" />
      <circle
        :cx="CENTRE + 34 * orbit.x[orbit.degree]"
        :cy="CENTRE - 34 * orbit.y[orbit.degree]"
        r="4"
        class="tightest"
      />
    </template>
    <text v-else :x="CENTRE" :y="CENTRE + 5" text-anchor="middle" class="quiet-text">
      {{ t('filmDrawing.turnsClockwise') }}
    </text>
  </svg>
</template>

<style scoped>
.film {
  min-width: 276px;
  max-width: 340px;
}
/* As large as other words where the drawing is at its narrowest. */
.film text {
  font-size: 17px;
}
.journal {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.pressure {
  fill: var(--petrol);
  opacity: 0.5;
}
.groove {
  fill: none;
  stroke: var(--oil);
  stroke-width: 6;
}
.least {
  stroke: var(--pass);
  stroke-width: 3;
}
.least.watch {
  stroke: var(--watch);
}
.least.stop {
  stroke: var(--stop);
}
.clearance {
  fill: var(--sheet);
  stroke: var(--quiet);
  stroke-dasharray: 3 3;
}
.orbit {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 1.6;
}
.tightest {
  fill: var(--stop);
}
</style>
