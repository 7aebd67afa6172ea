<script setup lang="ts">
import { inSentence } from '~/words/speak'
import { t } from '~/words/of/relief'
import type { ValveName } from '#core/parts/reliefReadings'
import { reliefValve } from '#core/parts/reliefRecord'
import type { ReliefSummary } from '#core/outlook/relief'
import { STATE_LABELS } from '#core/outlook/states'
import { fullLift } from '#core/relief/port'
import { total } from '#core/relief/spring'
import { bindMargin, openingPressure } from '#core/relief/valve'
import { STATE_NAMES, type StateName } from '#core/targets/targets'

/** The relief valve in section, to scale along its axis: plunger at any lift, spring, shims, plug; what travel is left before the coils touch. */
const { valve: name = 'relief', summary } = defineProps<{ valve?: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const units = useUnits()
const valve = computed(() => reliefValve(build.sheet!, name))
const HEAD = 5e-3
/** Shut, as it stands in a state, or as far as the slider says. */
const shown = ref<'shut' | 'open' | 'slid' | StateName>('shut')
const slid = ref(0)
const most = computed(() => fullLift(valve.value.port))
const lift = computed(() => {
  if (shown.value === 'shut') return 0
  if (shown.value === 'open') return most.value
  if (shown.value === 'slid') return Math.min(most.value, slid.value)
  return summary?.lift[shown.value] ?? 0
})
const choices = computed(() => [
  { value: 'shut' as const, words: t('reliefDrawing.shut') },
  ...STATE_NAMES.filter((state) => (summary?.lift[state] ?? 0) > 1e-6).map((state) => ({
    value: state,
    words: inSentence(STATE_LABELS[state]),
  })),
  { value: 'open' as const, words: t('reliefDrawing.fullyOpen') },
])

const x = computed(() => {
  const { installedLength, plungerDiameter, port, shims } = valve.value
  const scale = Math.min(470 / (installedLength + HEAD + 0.02), 150 / (1.8 * plungerDiameter))
  const seat = 90
  const spring = seat + HEAD * scale
  const plug = spring + installedLength * scale
  const overlap = (port.overlap ?? 0) * scale
  const height = plungerDiameter * scale
  const portWidth = port.shape === 'round' ? port.diameter * scale : port.height * scale
  const moved = lift.value * scale
  return {
    scale,
    seat,
    spring,
    plug,
    shim: total(shims) * scale,
    overlap,
    height,
    top: 100 - height / 2,
    bottom: 100 + height / 2,
    portWidth,
    moved,
    uncovered: Math.max(0, Math.min(portWidth, moved - overlap)),
  }
})
const coils = computed(() => {
  const { spring, plug, shim, top, bottom, moved } = x.value
  const count = 7
  const from = spring + moved
  const run = plug - shim - from
  return Array.from({ length: count }, (_, i) => ({
    x1: from + ((i + 0.2) / count) * run,
    x2: from + ((i + 0.75) / count) * run,
    y1: top + 6,
    y2: bottom - 6,
  }))
})
const bind = computed(() => bindMargin(valve.value))
function slide(to: number) {
  slid.value = to
  shown.value = 'slid'
}
</script>

<template>
  <div>
    <div class="drawing-scroll">
      <svg
        class="drawing"
        viewBox="0 0 730 206"
        role="group"
        :aria-label="
          t('reliefDrawing.reliefValveOpensAt', { openingPressure: units.say(openingPressure(valve), 'pressure', 2) })
        "
        :data-scale="x.scale"
      >
        <defs>
          <pattern id="hatch" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
            <path d="M0 0V7" stroke="var(--hatch)" stroke-width="1.4" />
          </pattern>
        </defs>
        <g fill="url(#hatch)" stroke="currentColor" stroke-width="1.4">
          <rect :x="24" :y="x.top - 20" :width="x.plug - 4" height="20" />
          <rect :x="24" :y="x.bottom" :width="x.plug - 4" height="20" />
        </g>
        <rect class="oil" x="24" :y="x.top" :width="x.seat - 24 + x.moved" :height="x.height" />
        <text x="57" y="105" text-anchor="middle" style="fill: var(--sheet); font-weight: 600">
          {{ t('reliefDrawing.oil') }}
        </text>
        <rect
          class="oil-wash"
          :x="x.seat + x.overlap"
          :y="x.bottom"
          :width="x.portWidth"
          height="30"
          stroke="currentColor"
          stroke-dasharray="3 3"
          data-part="port"
        />
        <rect
          v-if="x.uncovered > 0"
          class="oil"
          :x="x.seat + x.overlap"
          :y="x.bottom"
          :width="x.uncovered"
          height="30"
          data-part="uncovered"
        />
        <text :x="x.seat + x.overlap + x.portWidth / 2" :y="x.bottom + 46" text-anchor="middle" class="quiet-text">
          {{ t('reliefDrawing.toSump') }}
        </text>
        <path
          class="metal"
          :d="`M ${x.seat + x.moved} ${x.top} H ${x.spring + x.moved + 22} v 7 H ${x.spring + x.moved} V ${x.bottom - 7} H ${x.spring + x.moved + 22} v 7 H ${x.seat + x.moved} Z`"
          data-part="plunger"
          :data-lift="lift"
        />
        <line
          v-for="(coil, i) in coils"
          :key="i"
          :x1="coil.x1"
          :y1="coil.y1"
          :x2="coil.x2"
          :y2="coil.y2"
          stroke="currentColor"
          stroke-width="5"
          stroke-linecap="round"
        />
        <line
          v-for="(coil, i) in coils"
          :key="`i${i}`"
          :x1="coil.x1"
          :y1="coil.y1"
          :x2="coil.x2"
          :y2="coil.y2"
          stroke="var(--sheet)"
          stroke-width="2.4"
          stroke-linecap="round"
        />
        <rect
          v-if="x.shim > 0.5"
          :x="x.plug - x.shim"
          :y="x.top + 3"
          :width="x.shim"
          :height="x.height - 6"
          fill="var(--petrol)"
          data-dimension="shims"
          :data-metres="total(valve.shims)"
        />
        <path
          class="metal"
          :d="`M ${x.plug} ${x.top + 2} H ${x.plug + 40} V ${x.top - 22} h 16 V ${x.bottom + 22} h -16 V ${x.bottom - 2} H ${x.plug} Z`"
        />

        <path
          class="thin"
          :d="`M ${x.spring} ${x.top - 2} V 22 M ${x.plug} ${x.top - 2} V 22 M ${x.spring} 28 H ${x.plug}`"
          data-part="fitted"
        />
        <text :x="(x.spring + x.plug) / 2" y="20" text-anchor="end" class="quiet-text">
          {{ t('reliefDrawing.fittedNoShims') }}
        </text>
        <DrawnValue
          :name="`${name}.installedLength`"
          :words="units.say(valve.installedLength, 'length')"
          :x="(x.spring + x.plug) / 2 + 8"
          :y="20"
        />
        <template v-if="x.shim > 0.5">
          <path class="thin" :d="`M ${x.plug - x.shim / 2} ${x.bottom - 3} V ${x.bottom + 44}`" />
          <text :x="x.plug - x.shim / 2 - 4" :y="x.bottom + 60" text-anchor="end" class="quiet-text">
            {{ t('reliefDrawing.shims') }}
          </text>
          <DrawnValue
            :name="`${name}.shims`"
            :words="units.say(total(valve.shims), 'length')"
            :x="x.plug - x.shim / 2 + 4"
            :y="x.bottom + 60"
          />
        </template>
        <g :transform="`translate(${x.plug + 78}, 76)`">
          <text y="0" class="quiet-text">{{ t('reliefDrawing.leftBeforeBind') }}</text>
          <DrawnValue
            :name="`${name}.solidLength`"
            :words="bind === undefined ? 'solid length?' : units.say(bind, 'length')"
            :y="21"
          />
          <text y="42" class="quiet-text">{{ t('reliefDrawing.atLift', { most: units.say(most, 'length') }) }}</text>
        </g>
      </svg>
    </div>
    <div class="lifts">
      <span class="quiet">{{ t('reliefDrawing.plunger') }}</span><SegmentChoice
        :label="t('reliefDrawing.plunger')"
        :value="shown === 'slid' ? undefined : shown"
        :options="choices"
        @choose="shown = $event ?? 'shut'"
      />
      <div class="slide">
        <span class="quiet">{{ t('reliefDrawing.lift') }}</span><ValueSlider
          :label="t('reliefDrawing.liftOfThePlunger')"
          :value="lift"
          :from="0"
          :to="most"
          :step="0.00001"
          :says="units.say(lift, 'length')"
          @slide="slide"
        /><span class="mono">{{ units.say(lift, 'length') }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.lifts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 10px;
}
.slide {
  display: flex;
  align-items: center;
  gap: 10px;
  flex: 1;
  min-width: 300px;
  min-height: 44px;
}
.slide .slider {
  flex: 1;
}
.slide .mono {
  min-width: 68px;
  text-align: right;
  white-space: nowrap;
}
</style>
