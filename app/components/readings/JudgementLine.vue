<script setup lang="ts">
import type { Verdict } from '#core/quantity/verdict'

/** A verdict as a sentence with its number and its reason. */
defineProps<{ verdict: Verdict }>()
</script>

<template>
  <div class="judgement" :data-verdict="verdict">
    <VerdictLabel :verdict="verdict" />
    <p><slot /></p>
  </div>
</template>

<style scoped>
.judgement {
  display: grid;
  grid-template-columns: minmax(78px, max-content) 1fr;
  gap: 10px;
  align-items: start;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
.judgement .verdict {
  justify-self: start;
}
.judgement p {
  padding-top: 2px;
  max-width: 68ch;
}
</style>
