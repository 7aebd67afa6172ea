<script setup lang="ts">
/** A note over the page: what is the matter, and the ways on beside it. */
const { kind = 'watch' } = defineProps<{ kind?: 'watch' | 'stop' | 'told' }>()
const SEVERITY = { watch: 'warn', stop: 'error', told: 'info' }
</script>

<template>
  <Message class="note" :data-kind="kind" :severity="SEVERITY[kind]" :role="kind === 'told' ? 'status' : 'alert'">
    <div class="words"><slot /></div>
    <span v-if="$slots.actions" class="actions"><slot name="actions" /></span>
  </Message>
</template>

<style scoped>
.note {
  border-radius: 0;
  border-style: solid;
  border-width: 1px 1px 1px 6px;
  margin-bottom: 14px;
}
.note[data-kind='watch'] {
  border-color: var(--watch);
}
.note[data-kind='stop'] {
  border-color: var(--stop);
}
.note[data-kind='told'] {
  border-color: var(--petrol);
}
.note :deep(.p-message-text) {
  flex: 1;
  display: flex;
  gap: 10px 16px;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
}
.words {
  max-width: 72ch;
}
.words :deep(p) {
  margin: 0;
}
.actions {
  display: inline-flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
}
/* What a page lacks is said on paper too. */
@media print {
  .note:not(.on-paper) {
    display: none;
  }
}
</style>
