<script setup lang="ts" generic="T extends string">
/** One choice out of a few words. */
const { label, value, options, quiet = false } = defineProps<{ label: string; value: T; options: { value: T; words: string }[]; quiet?: boolean }>()
const emit = defineEmits<{ choose: [value: T] }>()
</script>

<template>
  <Select :model-value="value" :options="options" option-label="words" option-value="value" :aria-label="label" scroll-height="420px" :class="{ quiet }" @update:model-value="emit('choose', $event as T)" />
</template>

<style scoped>
.p-select { min-height: 44px; min-width: 128px; align-items: center; font-size: 18px; }
.p-select.quiet { font-size: 15px; border-color: transparent; background: transparent; min-width: 0; }
.p-select.quiet:hover { border-color: var(--field); }
.p-select.quiet :deep(.p-select-label) { padding-right: 2px; color: var(--ink); }
.p-select.quiet :deep(.p-select-dropdown) { width: 26px; color: var(--quiet); }
</style>
