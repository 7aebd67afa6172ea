<script setup lang="ts">
import { floorClearance } from '#core/build/inputs'
import { requireValue } from '#core/build/values'

/** Sump and pickup in section, to scale: rail, depth, the pickup's mouth and what is left under it. */
const build = useBuild()
const house = useHouse()
const floor = computed(() => floorClearance(build.sheet!))
const at = computed(() => {
  const depth = requireValue(build.sheet!, 'pickup.sumpDepth').value
  const mouth = requireValue(build.sheet!, 'pickup.mouthDiameter').value
  const tube = requireValue(build.sheet!, 'pickup.tubeDiameter').value
  const scale = 170 / depth
  const top = 34
  const bottom = top + depth * scale
  const lip = bottom - floor.value.value * scale
  return { top, bottom, lip, mouth: mouth * scale, tube: tube * scale, depth, level: top + 0.42 * depth * scale }
})
const measured = computed(() => floor.value.source === 'measured')
</script>

<template>
  <div class="drawing-scroll"><svg class="drawing" viewBox="0 0 730 226" role="img" :aria-label="`Pickup: ${house.say(floor.value, 'length')} above the sump floor`">
    <path class="oil-wash" :d="`M 152 ${at.level} H 538 V ${at.bottom} H 152 Z`" />
    <path class="line" :d="`M 110 ${at.top} H 152 V ${at.bottom} H 538 V ${at.top} H 580`" stroke-width="2.4" />
    <text x="540" :y="at.level + 5" dx="12" class="quiet-text">oil</text>
    <path class="line" :d="`M ${345 - at.tube / 2} 4 V ${at.lip - 24} M ${345 + at.tube / 2} 4 V ${at.lip - 24}`" />
    <path class="metal" :d="`M ${345 - at.tube / 2} ${at.lip - 24} L ${345 - at.mouth / 2} ${at.lip - 12} V ${at.lip} H ${345 + at.mouth / 2} V ${at.lip - 12} L ${345 + at.tube / 2} ${at.lip - 24} Z`" />
    <path :d="`M ${345 - at.mouth / 2} ${at.lip} H ${345 + at.mouth / 2}`" stroke="currentColor" stroke-width="2.5" stroke-dasharray="5 3" />
    <path class="thin" :d="`M 126 ${at.top} V ${at.bottom} M 119 ${at.top} h 14 M 119 ${at.bottom} h 33`" />
    <text x="116" :y="(at.top + at.bottom) / 2 + 5" text-anchor="end" class="figure-text" data-dimension="sumpDepth">{{ house.say(at.depth, 'length') }}</text>
    <path class="thin" :d="`M ${345 + at.mouth / 2 + 4} ${at.lip} h 48 M ${345 + at.mouth / 2 + 42} ${at.lip} V ${at.bottom}`" />
    <g :transform="`translate(${345 + at.mouth / 2 + 62}, ${Math.min(at.lip, at.bottom - 14) + 2})`">
      <text y="10" class="figure-text" :class="{ assumed: !measured }" data-dimension="floorClearance">{{ house.say(floor.value, 'length') }}</text>
      <text y="-8" class="quiet-text">{{ measured ? 'floor clearance' : 'floor clearance, assumed' }}</text>
    </g>
    <text :x="345 + at.tube / 2 + 10" y="20" class="quiet-text">tube</text>
    <text :x="345 + at.tube / 2 + 44" y="20" class="figure-text">{{ house.say(requireValue(build.sheet!, 'pickup.tubeDiameter').value, 'length') }}</text>
  </svg></div>
</template>
