<script setup lang="ts">
import { t } from '~/words/of/frame'
import { useSync } from '~/sync/useSync'

/** One honest word on saving. */
const build = useBuild()
const sync = useSync()
const words = computed(() => {
  const count = sync.waiting.length
  // What is still being written to the disk is not called kept.
  if (sync.keeping > 0) return t('savingWord.keeping', { keeping: sync.keeping })
  switch (build.saving) {
    case 'apart':
      return t('savingWord.toSettle', { count: sync.apart.length })
    case 'unkept':
      return count > 0 ? t('savingWord.notKeptHere', { count }) : t('savingWord.sentNotKeptHere')
    case 'offline':
      return sync.why
        ? t('savingWord.notWrittenKeptHere', { count })
        : count > 0
          ? t('savingWord.offlineKeptHere', { count })
          : 'offline'
    case 'saving':
      return t('savingWord.waiting', { count })
    default:
      return t('savingWord.saved')
  }
})
</script>

<template>
  <span :class="build.saving" role="status" data-testid="saving">{{ words }}</span>
</template>

<style scoped>
.saved {
  color: var(--pass);
}
.offline,
.apart,
.unkept {
  color: var(--stop);
  font-weight: 650;
}
</style>
