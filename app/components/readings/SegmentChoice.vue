<script setup lang="ts" generic="T extends string">
import type { Verdict } from '#core/quantity/verdict'

/** A few answers side by side, each under the thumb; pressed again it is taken back. */
const { label, value, options } = defineProps<{
  label: string
  value?: T
  options: readonly { value: T; words: string; verdict?: Verdict }[]
}>()
const emit = defineEmits<{ choose: [value: T | undefined] }>()
</script>

<template>
  <span class="segments" role="group" :aria-label="label">
    <button
      v-for="each in options"
      :key="each.value"
      type="button"
      :aria-pressed="value === each.value"
      :class="each.verdict ?? 'plain'"
      :aria-label="`${label}: ${each.words}`"
      @click="emit('choose', value === each.value ? undefined : each.value)"
    >
      {{ each.words }}
    </button>
  </span>
</template>

<style scoped>
.segments {
  display: inline-flex;
  flex-wrap: wrap;
}
button {
  min-height: 44px;
  min-width: 60px;
  padding: 0 11px;
  border: 1px solid var(--field);
  margin-left: -1px;
  background: transparent;
  cursor: pointer;
  color: var(--quiet);
}
button:first-child {
  border-radius: 3px 0 0 3px;
  margin-left: 0;
}
button:last-child {
  border-radius: 0 3px 3px 0;
}
button:only-child {
  border-radius: 3px;
}
button[aria-pressed='true'] {
  color: var(--sheet);
  font-weight: 650;
  background: var(--petrol);
  border-color: var(--petrol);
}
.pass[aria-pressed='true'] {
  background: var(--pass);
  border-color: var(--pass);
}
.watch[aria-pressed='true'] {
  background: var(--watch);
  border-color: var(--watch);
}
.stop[aria-pressed='true'] {
  background: var(--stop);
  border-color: var(--stop);
}
</style>
