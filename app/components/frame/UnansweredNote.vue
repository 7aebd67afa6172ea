<script setup lang="ts">
import { unanswered } from '~/composables/useAnswer'

/** What the model could not compute of this page, and the way to ask it again: a view that lacks its figures is never without a word. */
const reasons = computed(() => [...new Set([...unanswered.values()].map(({ reason }) => reason))])
const askAgain = () => [...unanswered.values()].forEach(({ again }) => again())
</script>

<template>
  <p v-if="reasons.length > 0" class="unanswered" role="alert">
    <b>Figures of this page could not be computed.</b> {{ reasons.join(' ') }}
    <Button type="button" variant="outlined" @click="askAgain">Ask again</Button>
  </p>
</template>

<style scoped>
.unanswered {
  border-left: 3px solid var(--watch);
  padding: 8px 12px;
  margin: 0 0 12px;
}
</style>
