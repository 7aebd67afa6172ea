<script setup lang="ts" generic="T extends string">
import { named } from '~/words/speak'

/** One choice out of a few words: a thumb's width on a tablet, letters and arrows on a keyboard. What it shows is the value that came back, not what was pressed. */
const {
  label,
  value,
  options,
  quiet = false,
} = defineProps<{ label: string; value: T; options: readonly { value: T; words: string }[]; quiet?: boolean }>()
const emit = defineEmits<{ choose: [value: T] }>()
const shownOptions = computed(() => options.map((option) => ({ ...option, words: named(option.words) })))
/** PrimeVue takes an empty value for none, and says nothing of it: its words stand there all the same. */
const emptyWords = computed(() => shownOptions.value.find((option) => option.value === '')?.words)
const shown = useShown(() => value)
function take(chosen: T) {
  if (chosen !== value) emit('choose', chosen)
  shown.again()
}
</script>

<template>
  <Select
    v-model="shown.value"
    class="choice"
    :class="{ quiet }"
    :options="shownOptions"
    option-label="words"
    option-value="value"
    :aria-label="label"
    :placeholder="emptyWords"
    scroll-height="60vh"
    @update:model-value="take($event as T)"
  />
</template>

<style scoped>
.choice {
  min-height: 44px;
  min-width: 128px;
  max-width: 100%;
  align-items: center;
  font-size: 18px;
}
.choice :deep(.p-select-label) {
  padding-block: 0;
  align-self: stretch;
  line-height: 42px;
}
.quiet {
  font-size: 15px;
  border-color: transparent;
  background-color: transparent;
  min-width: 0;
}
.quiet :deep(.p-select-label) {
  padding-inline: 6px 0;
  color: var(--ink);
}
.quiet :deep(.p-select-dropdown) {
  width: 26px;
}
.quiet:hover {
  border-color: var(--field);
}
</style>
