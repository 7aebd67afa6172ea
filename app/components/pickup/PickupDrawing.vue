<script setup lang="ts">
import { t } from '~/words/of/pickup'
import { floorClearance } from '#core/parts/pickupRecord'
import { recordedOrDefault, requireValue, quantityAt } from '#core/engine/values'
import type { FieldOf } from '#core/parts/list'
import { ruleOf } from '#core/house/limits'
import { surfaceAt } from '#core/pickup/slosh'
import { goToReading } from '~/composables/goToReading'

/** Sump and pickup in section, to scale: rail, gasket, depth, the pickup's mouth and what is left under it; the oil where its depth was measured, tilted as the use asks. */
const build = useBuild()
const units = useUnits()
const route = useRoute()
const of = (field: FieldOf<'pickup'>) => recordedOrDefault(build.sheet!, `pickup.${field}`)?.value
const floor = computed(() => floorClearance(build.sheet!))
const tilted = computed(() => route.query.view === 'oil')
const at = computed(() => {
  const depth = requireValue(build.sheet!, 'pickup.sumpDepth').value
  const gasket = of('gasket') ?? 0
  const mouth = requireValue(build.sheet!, 'pickup.mouthDiameter').value
  const tube = requireValue(build.sheet!, 'pickup.tubeDiameter').value
  const length = of('sumpLength') ?? 386e-3 * (depth / 0.17)
  const scale = Math.min(170 / (depth + gasket), 386 / length)
  const half = 0.5 * length * scale
  const top = 34
  const bottom = top + (depth + gasket) * scale
  const lip = bottom - floor.value.value * scale
  const x = 345 + (of('offset') ?? 0) * scale
  const oilDepth = of('oilDepth')
  const tilt = tilted.value ? ruleOf(build.sheet!, `tilt.${build.sheet!.use}`) : 0
  // Oil runs away from the pickup: to the left, whatever side it sits on.
  const surface = (offset: number) =>
    oilDepth === undefined ? 0.42 * depth : surfaceAt({ oilDepth, offset, sumpLength: length, tilt })
  const steps = Array.from({ length: 41 }, (_, i) => -0.5 * length + (i / 40) * length)
  const oil = steps.map(
    (offset) =>
      `${(345 + offset * scale).toFixed(1)} ${(bottom - Math.min(surface(offset), depth + gasket) * scale).toFixed(1)}`,
  )
  return {
    top,
    bottom,
    lip,
    x,
    mouth: mouth * scale,
    tube: tube * scale,
    depth,
    gasket: gasket * scale,
    left: 345 - half,
    right: 345 + half,
    scale,
    oil,
    known: oilDepth !== undefined,
  }
})
/** Room that the words of the clearance take, and how far from the mouth they stand. */
const WORDS = 110
const APART = 54
/** The clearance is written inside the sump on the side of the mouth that has room for it, else outside; never over the tube's words. */
const label = computed(() => {
  const { x, mouth, left, right, lip, bottom } = at.value
  const half = mouth / 2
  const y = Math.max(66, Math.min(lip, bottom - 14) + 2)
  if (x + half + APART + WORDS < right) return { side: 1, x: x + half + APART, y }
  if (x - half - APART - WORDS > left) return { side: -1, x: x - half - APART, y }
  return { side: 1, x: Math.max(x + half + APART, right + APART), y }
})
const side = computed(() => label.value.side)
const narrow = computed(() => at.value.right - at.value.left < 2 * WORDS)
const measured = computed(() => floor.value.source === 'measured')
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing"
      viewBox="0 0 730 226"
      role="group"
      :aria-label="t('pickupDrawing.pickupAboveTheSumpFloor', { floor: units.say(floor.value, 'length') })"
      :data-scale="at.scale"
    >
      <path
        class="oil-wash"
        :d="`M ${at.oil.join(' L ')} L ${at.right} ${at.bottom} L ${at.left} ${at.bottom} Z`"
        data-part="oil"
      />
      <path
        class="line"
        :d="`M ${at.left - 42} ${at.top} H ${at.left} V ${at.bottom} H ${at.right} V ${at.top} H ${at.right + 42}`"
        stroke-width="2.4"
      />
      <rect
        v-if="at.gasket > 0.3"
        :x="at.left - 42"
        :y="at.top - at.gasket"
        width="42"
        :height="at.gasket"
        fill="var(--petrol)"
      />
      <!-- On the side that the clearance is not written on. -->
      <text
        :x="side < 0 ? at.right - 10 : at.left + 10"
        :y="at.bottom - 8"
        :text-anchor="side < 0 ? 'end' : 'start'"
        class="quiet-text"
      >
        {{ at.known || narrow ? t('pickupDrawing.oil') : t('pickupDrawing.oilNotMeasured') }}
      </text>
      <path class="line" :d="`M ${at.x - at.tube / 2} 4 V ${at.lip - 24} M ${at.x + at.tube / 2} 4 V ${at.lip - 24}`" />
      <path
        class="metal"
        :d="`M ${at.x - at.tube / 2} ${at.lip - 24} L ${at.x - at.mouth / 2} ${at.lip - 12} V ${at.lip} H ${at.x + at.mouth / 2} V ${at.lip - 12} L ${at.x + at.tube / 2} ${at.lip - 24} Z`"
      />
      <path
        :d="`M ${at.x - at.mouth / 2} ${at.lip} H ${at.x + at.mouth / 2}`"
        stroke="currentColor"
        stroke-width="2.5"
        stroke-dasharray="5 3"
        data-part="lip"
      />
      <path
        class="thin"
        :d="`M ${at.left - 26} ${at.top} V ${at.bottom} M ${at.left - 33} ${at.top} h 14 M ${at.left - 33} ${at.bottom} h 33`"
        data-part="depth"
      />
      <DrawnValue
        name="pickup.sumpDepth"
        :words="units.say(at.depth, 'length')"
        :x="at.left - 36"
        :y="(at.top + at.bottom) / 2 + 5"
        anchor="end"
      />
      <path
        class="thin"
        :d="`M ${at.x + side * (at.mouth / 2 + 4)} ${at.lip} H ${label.x - side * 10} M ${at.x + side * (at.mouth / 2 + 42)} ${at.lip} V ${at.bottom}`"
        data-part="floor"
      />
      <g :transform="`translate(${label.x}, ${label.y})`" :text-anchor="side < 0 ? 'end' : 'start'">
        <g
          class="hit"
          role="link"
          tabindex="0"
          :aria-label="t('pickupDrawing.floorClearanceToItsReadings', { floor: units.say(floor.value, 'length') })"
          @click="goToReading($router, build.id!, quantityAt(build.sheet!, 'pickup.protrusion'))"
          @keydown.enter.prevent="goToReading($router, build.id!, quantityAt(build.sheet!, 'pickup.protrusion'))"
        >
          <text y="10" class="figure-text" :class="{ assumed: !measured }" data-dimension="floorClearance">
            {{ units.say(floor.value, 'length') }}
          </text>
        </g>
        <text :y="measured ? -8 : -26" class="quiet-text">
          {{ t('pickupDrawing.floorClearance', { measured: measured ? '' : ',' }) }}
        </text>
        <text v-if="!measured" y="-8" class="quiet-text">{{ t('pickupDrawing.assumed') }}</text>
      </g>
      <text :x="at.x + at.tube / 2 + 10" y="20" class="quiet-text">{{ t('pickupDrawing.tube') }}</text>
      <DrawnValue
        name="pickup.tubeDiameter"
        :words="units.say(requireValue(build.sheet!, 'pickup.tubeDiameter').value, 'length')"
        :x="at.x + at.tube / 2 + 44"
        :y="20"
      />
    </svg>
  </div>
</template>
