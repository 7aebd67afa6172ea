<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import type { CheckItem } from '#core/record/looked'

/** Something to look at: done, or at fault with what that means. */
const { item, faults = true } = defineProps<{ item: CheckItem; faults?: boolean }>()
const build = useBuild()
const check = computed(() => build.sheet!.checks[item.key])
const ANSWERS = [
  { value: 'done', words: faults ? t('checkRow.inOrder') : t('checkRow.done'), verdict: 'pass' },
  ...(faults ? [{ value: 'fault', words: t('checkRow.fault'), verdict: 'stop' } as const] : []),
] as const
</script>

<template>
  <div class="row check" :data-check="item.key">
    <span class="what"
      >{{ named(item.label) }}<span v-if="check" class="origin">{{ check.by }}</span>
      <span v-if="check?.state === 'fault' && item.fault" class="fault-words">{{ named(item.fault) }}</span></span
    >
    <SegmentChoice
      :label="named(item.label)"
      :value="check?.state"
      :options="ANSWERS"
      @choose="build.check(item.key, $event, item.label)"
    />
    <LazyCheckFault v-if="check?.state === 'fault'" :item="item" />
  </div>
</template>

<style scoped>
.fault-words {
  display: block;
  color: var(--stop);
  font-size: 15px;
}
</style>
