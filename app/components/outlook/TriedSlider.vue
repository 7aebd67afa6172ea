<script setup lang="ts">
import type { Dimension } from '#core/quantity/units'

/** A figure of a set-up under the hand, with its value beside it, SI. */
const { value } = defineProps<{
  label: string
  value: number
  from: number
  to: number
  step: number
  dimension: Dimension
}>()
const emit = defineEmits<{ slide: [number] }>()
const units = useUnits()
</script>

<template>
  <td class="slide">
    <input
      type="range"
      :min="from"
      :max="to"
      :step="step"
      :value="value"
      :aria-label="label"
      :aria-valuetext="units.say(value, dimension)"
      @input="emit('slide', Number(($event.target as HTMLInputElement).value))"
    /><span class="mono">{{ units.show(value, dimension) }}</span>
  </td>
</template>

<style scoped>
.slide {
  min-width: 128px;
}
.slide input {
  width: 100%;
  accent-color: var(--petrol);
  display: block;
  min-height: 30px;
}
.slide .mono {
  font-size: 15px;
}
</style>
