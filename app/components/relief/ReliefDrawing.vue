<script setup lang="ts">
import { reliefValve } from '#core/build/inputs'
import { bindMargin, openingPressure } from '#core/relief/valve'
import { total } from '#core/relief/spring'
import { fullLift } from '#core/relief/port'

/** The relief valve in section, to scale along its axis: plunger shut, spring, shims, plug; what travel is left before the coils touch. */
const { valve: name = 'relief' } = defineProps<{ valve?: 'relief' | 'relief2' }>()
const build = useBuild()
const house = useHouse()
const valve = computed(() => reliefValve(build.sheet!, name))
const HEAD = 5e-3

const x = computed(() => {
  const { installedLength, plungerDiameter, port, shims } = valve.value
  const scale = Math.min(470 / (installedLength + HEAD + 0.02), 150 / (1.8 * plungerDiameter))
  const seat = 90
  const spring = seat + HEAD * scale
  const plug = spring + installedLength * scale
  const overlap = (port.overlap ?? 0) * scale
  const height = plungerDiameter * scale
  const portWidth = port.shape === 'round' ? port.diameter * scale : port.height * scale
  return { scale, seat, spring, plug, shim: total(shims) * scale, overlap, height, top: 100 - height / 2, bottom: 100 + height / 2, portWidth }
})
const coils = computed(() => {
  const { spring, plug, shim, top, bottom } = x.value
  const count = 7
  const run = plug - shim - spring
  return Array.from({ length: count }, (_, i) => ({ x1: spring + ((i + 0.2) / count) * run, x2: spring + ((i + 0.75) / count) * run, y1: top + 6, y2: bottom - 6 }))
})
const bind = computed(() => bindMargin(valve.value))
</script>

<template>
  <div class="drawing-scroll"><svg class="drawing" viewBox="0 0 730 206" role="img" :aria-label="`Relief valve, opens at ${house.say(openingPressure(valve), 'pressure', 2)}`">
    <defs><pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"><path d="M0 0V7" stroke="var(--hatch)" stroke-width="1.4" /></pattern></defs>
    <g fill="url(#hatch)" stroke="currentColor" stroke-width="1.4">
      <rect :x="24" :y="x.top - 20" :width="x.plug - 4" height="20" />
      <rect :x="24" :y="x.bottom" :width="x.plug - 4" height="20" />
    </g>
    <rect class="oil" x="24" :y="x.top" :width="x.seat - 24" :height="x.height" />
    <text x="57" y="105" text-anchor="middle" style="fill: var(--sheet); font-weight: 600">oil</text>
    <rect class="oil-wash" :x="x.seat + x.overlap" :y="x.bottom" :width="x.portWidth" height="30" stroke="currentColor" stroke-dasharray="3 3" />
    <text :x="x.seat + x.overlap + x.portWidth / 2" :y="x.bottom + 46" text-anchor="middle" class="quiet-text">to sump</text>
    <path class="metal" :d="`M ${x.seat} ${x.top} H ${x.spring + 22} v 7 H ${x.spring} V ${x.bottom - 7} H ${x.spring + 22} v 7 H ${x.seat} Z`" />
    <line v-for="(coil, i) in coils" :key="i" :x1="coil.x1" :y1="coil.y1" :x2="coil.x2" :y2="coil.y2" stroke="currentColor" stroke-width="5" stroke-linecap="round" />
    <line v-for="(coil, i) in coils" :key="`i${i}`" :x1="coil.x1" :y1="coil.y1" :x2="coil.x2" :y2="coil.y2" stroke="var(--sheet)" stroke-width="2.4" stroke-linecap="round" />
    <rect v-if="x.shim > 0.5" :x="x.plug - x.shim" :y="x.top + 3" :width="x.shim" :height="x.height - 6" fill="var(--petrol)" data-dimension="shims" :data-metres="total(valve.shims)" />
    <path class="metal" :d="`M ${x.plug} ${x.top + 2} H ${x.plug + 40} V ${x.top - 22} h 16 V ${x.bottom + 22} h -16 V ${x.bottom - 2} H ${x.plug} Z`" />

    <path class="thin" :d="`M ${x.spring} ${x.top - 2} V 22 M ${x.plug} ${x.top - 2} V 22 M ${x.spring} 28 H ${x.plug}`" />
    <text :x="(x.spring + x.plug) / 2" y="20" text-anchor="middle"><tspan class="quiet-text">fitted, no shims </tspan><tspan class="figure-text" font-family="var(--mono)" data-dimension="installedLength">{{ house.say(valve.installedLength, 'length') }}</tspan></text>
    <template v-if="x.shim > 0.5">
      <path class="thin" :d="`M ${x.plug - x.shim / 2} ${x.bottom - 3} V ${x.bottom + 44}`" />
      <text :x="x.plug - x.shim / 2 - 6" :y="x.bottom + 60" text-anchor="middle"><tspan class="quiet-text">shims </tspan><tspan font-family="var(--mono)">{{ house.say(total(valve.shims), 'length') }}</tspan></text>
    </template>
    <g :transform="`translate(${x.plug + 78}, 76)`">
      <text y="0" class="quiet-text">left before bind</text>
      <text y="21" class="figure-text" font-family="var(--mono)" data-dimension="bindMargin">{{ bind === undefined ? 'solid length?' : house.say(bind, 'length') }}</text>
      <text y="42" class="quiet-text">at {{ house.say(fullLift(valve.port), 'length') }} lift</text>
    </g>
  </svg></div>
</template>
