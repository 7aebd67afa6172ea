<script setup lang="ts">
import { t } from '~/words/of/frame'
/** A caution where the hand is; one that can injure is acknowledged once. */
const { name } = defineProps<{ name?: string }>()
const build = useBuild()
const seen = computed(() => (name ? build.sheet?.checks[`caution.${name}`] : undefined))
</script>

<template>
  <div class="caution" role="note">
    <span><slot /></span>
    <Button
      v-if="name && !seen"
      type="button"
      variant="outlined"
      @click="build.check(`caution.${name}`, 'done', 'caution')"
      >{{ t('cautionNote.understood') }}</Button
    >
    <span v-else-if="seen" class="quiet">{{ t('cautionNote.hasReadIt', { by: seen.by }) }}</span>
  </div>
</template>

<style scoped>
.caution {
  border-left: 3px solid var(--watch);
  padding: 4px 0 4px 12px;
  margin-top: 16px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  min-height: 30px;
}
.caution .quiet {
  white-space: nowrap;
}
.caution .p-button {
  flex: none;
}
</style>
