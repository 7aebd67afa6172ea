<script setup lang="ts">
import { t } from '~/words/of/start'
import { useSync } from '~/sync/useSync'

/** Whether what is read and tapped in of a run reaches the server; nothing while it does. */
const run = useRun()
const sync = useSync()
const words = computed(() =>
  run.online
    ? run.unsent > 0
      ? t('runFeed.onTheirWay', { unsent: run.unsent })
      : ''
    : sync.keeping > 0
      ? t('runFeed.notReachedBeingKept')
      : t('runFeed.notReachedWhatIsTappedIn'),
)
</script>

<template>
  <div v-if="words || run.refused">
    <p v-if="words" :class="run.online ? 'quiet' : 'away'" role="status" data-testid="run-online">{{ words }}</p>
    <p v-if="run.refused" class="wrong" role="alert">{{ run.refused }}</p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
.away {
  border-left: 6px solid var(--watch);
  padding: 4px 12px;
  color: var(--watch);
  font-weight: 600;
}
</style>
