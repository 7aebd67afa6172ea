<script setup lang="ts" generic="T extends string">
import { named } from '~/words/speak'
import { StandingTabList } from './standingTabList'
/** A station's views, in their working order, with the open one below them. */
const { views, view } = defineProps<{ label: string; views: readonly { view: T; words: string }[]; view: T }>()
const emit = defineEmits<{ go: [view: T] }>()
const shown = useShown(() => view)
const title = useViewWords()
watch(
  () => view,
  (now) => (title.value = views.find((each) => each.view === now)?.words ?? ''),
  { immediate: true },
)
onBeforeUnmount(() => (title.value = ''))
function go(chosen: T) {
  emit('go', chosen)
  shown.again()
}
</script>

<template>
  <Tabs v-model:value="shown.value" class="views" scrollable @update:value="go($event as T)">
    <StandingTabList :aria-label="label" :pt="{ tabList: { 'aria-label': label } }">
      <Tab v-for="each in views" :key="each.view" :value="each.view">{{ named(each.words) }}</Tab>
    </StandingTabList>
    <TabPanel :value="shown.value" :tabindex="-1"><slot /></TabPanel>
  </Tabs>
</template>

<style scoped>
.views {
  margin-top: 4px;
}
.views :deep(.p-tab) {
  min-height: 44px;
  min-width: 44px;
  justify-content: center;
  padding-inline: 9px;
  font-stretch: 88%;
  white-space: nowrap;
}
.views :deep(.p-tablist-nav-button) {
  width: 44px;
}
.views :deep(.p-tab-active) {
  border-bottom-color: var(--petrol);
}
.views > :deep(.p-tabpanel) {
  padding-top: 14px;
}
@media print {
  .views > :deep(.p-tablist) {
    display: none;
  }
}
</style>
