<script setup lang="ts">
/** A value under the thumb, between two ends and in steps of its own; said in words as it moves. Steps are counted, since PrimeVue's slider keeps hundredths only. */
const { value, from, to, step } = defineProps<{
  label: string
  value: number
  from: number
  to: number
  step: number
  /** The value with its unit, as it is read out. */
  says: string
}>()
const emit = defineEmits<{
  slide: [value: number]
  /** Where it was let go, or put by a key or a touch of the track. */
  settle: [value: number]
}>()
const box = useTemplateRef<HTMLElement>('box')
const steps = computed(() => Math.max(1, Math.round((to - from) / step)))
const at = computed(() => Math.min(steps.value, Math.max(0, Math.round((value - from) / step))))
function move(place: number | number[]) {
  if (typeof place !== 'number') return
  // Whole steps of a decimal are decimals again: 3 × 0.1 is 0.3.
  const now = Number((from + place * step).toPrecision(12))
  emit('slide', now)
  if (box.value?.querySelector('[data-p-sliding=true]')) held = now
  else emit('settle', now)
}
/** What a drag has come to so far. */
let held: number | undefined
function letGo() {
  if (held !== undefined) emit('settle', held)
  held = undefined
}
</script>

<template>
  <div ref="box" class="slider">
    <Slider
      :model-value="at"
      :min="0"
      :max="steps"
      :step="1"
      :aria-label="label"
      :pt="{ handle: { 'aria-valuetext': says } }"
      @update:model-value="move"
      @slideend="letGo"
    />
  </div>
</template>

<style scoped>
.slider {
  min-width: 90px;
  min-height: 44px;
  padding: 0 13px;
  display: grid;
  align-items: center;
}
/* The track takes a thumb over the whole height of the row. */
.slider :deep(.p-slider)::before {
  content: '';
  position: absolute;
  inset: -20px -13px;
}
.slider :deep(.p-slider-handle)::after {
  content: '';
  position: absolute;
  inset: -9px;
}
@media print {
  .slider {
    display: none;
  }
}
</style>
