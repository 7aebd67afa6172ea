<script setup lang="ts" generic="T extends string">
/** A station's views, in their working order. */
defineProps<{ label: string; views: readonly { view: T; words: string }[]; view: T }>()
const emit = defineEmits<{ go: [view: T] }>()
</script>

<template>
  <nav class="views" :aria-label="label">
    <button
      v-for="each in views"
      :key="each.view"
      type="button"
      :aria-pressed="view === each.view"
      @click="emit('go', each.view)"
    >
      {{ each.words }}
    </button>
  </nav>
</template>

<style scoped>
.views {
  display: flex;
  border-bottom: 1px solid var(--rule);
  margin: 4px 0 14px;
  overflow-x: auto;
}
button {
  min-height: 44px;
  padding: 0 14px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  cursor: pointer;
  white-space: nowrap;
  color: var(--quiet);
  font-weight: 600;
}
button[aria-pressed='true'] {
  color: var(--petrol);
  border-bottom-color: var(--petrol);
}
@media print {
  .views {
    display: none;
  }
}
</style>
