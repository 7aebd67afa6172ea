<script setup lang="ts" generic="T extends string">
import { named } from '~/words/speak'
import type { Verdict } from '#core/quantity/verdict'

/** A few answers side by side, each under the thumb; pressed again it is taken back. */
const { label, value, options } = defineProps<{
  label: string
  value?: T
  options: readonly { value: T; words: string; verdict?: Verdict }[]
}>()
const emit = defineEmits<{ choose: [value: T | undefined] }>()
const shown = useShown(() => value)
function take(chosen: T | null) {
  emit('choose', chosen ?? undefined)
  shown.again()
}
</script>

<template>
  <SelectButton
    v-model="shown.value"
    class="segments"
    :options="[...options]"
    option-label="words"
    option-value="value"
    :aria-label="label"
    @update:model-value="take($event as T | null)"
  >
    <template #option="{ option }"
      ><span :class="option.verdict ?? 'plain'"
        ><span class="hidden-but-read">{{ label }}: </span>{{ named(option.words) }}</span
      ></template
    >
  </SelectButton>
</template>

<style scoped>
.segments {
  flex-wrap: wrap;
}
.segments :deep(.p-togglebutton) {
  min-height: 44px;
  min-width: 60px;
  position: relative;
  font-size: 15px;
}
.segments :deep(.p-togglebutton-checked) {
  font-weight: 650;
}
.segments :deep(.p-togglebutton-checked:has(.pass)) {
  background: var(--pass);
  border-color: var(--pass);
  color: var(--sheet);
}
.segments :deep(.p-togglebutton-checked:has(.watch)) {
  background: var(--watch);
  border-color: var(--watch);
  color: var(--sheet);
}
.segments :deep(.p-togglebutton-checked:has(.stop)) {
  background: var(--stop);
  border-color: var(--stop);
  color: var(--sheet);
}
</style>
