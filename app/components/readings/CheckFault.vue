<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import type { CheckItem } from '#core/record/looked'

/** What is wrong with something that was found at fault: in words, and as photos. */
const { item } = defineProps<{ item: CheckItem }>()
const build = useBuild()
const check = computed(() => build.sheet!.checks[item.key])
</script>

<template>
  <div class="of-it">
    <DraftInput
      :value="check?.note ?? ''"
      :aria-label="t('checkRow.noteOn', { item: named(item.label) })"
      :placeholder="t('checkRow.whatIsWrong')"
      maxlength="500"
      @write="build.annotate(item.key, $event, item.label)"
    /><PhotoRow
      :of="named(item.label)"
      :photos="check?.photos"
      @kept="build.photograph(item.key, $event, t('checkRow.photo', { item: named(item.label) }))"
    />
  </div>
</template>

<style scoped>
.of-it {
  grid-column: 1 / -1;
  display: grid;
}
</style>
