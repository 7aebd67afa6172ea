<script setup lang="ts">
import { named } from '~/words/speak'
import type { InspectionItem } from '#core/record/looked'
import { findingOf } from '#core/engine/inspections'

/** Something looked at: its finding in the trade's words, and what that leads to. */
const { item } = defineProps<{ item: InspectionItem }>()
const build = useBuild()
const found = computed(() => findingOf(build.sheet!, item))
const own = computed(() => build.sheet!.inspections[item.key])
</script>

<template>
  <div class="row inspect" :data-inspect="item.key">
    <span class="what"
      >{{ named(item.label) }}<span v-if="own" class="origin">{{ own.by }}</span></span
    >
    <SegmentChoice
      :label="named(item.label)"
      :value="found?.value"
      :options="item.findings"
      @choose="build.inspect(item.key, $event ? { finding: $event } : undefined, item.label)"
    />
    <p v-if="found && found.verdict !== 'pass'" class="action" :class="found.verdict">{{ named(found.action) }}</p>
  </div>
</template>

<style scoped>
.inspect {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
}
.action {
  flex-basis: 100%;
  padding-bottom: 8px;
  max-width: 60ch;
}
.stop {
  color: var(--stop);
}
.watch {
  color: var(--watch);
}
</style>
