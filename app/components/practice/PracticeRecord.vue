<script setup lang="ts">
import { t } from '~/words/of/practice'
import { buildSheet } from '~/papers/buildSheet'
import type { Paper } from '~/papers/paper'
import type { Practice } from '~/composables/usePractice'

/** What is on record of the engine on the bench, station by station, with what a sound one of its record should read: its build sheet. */
const { practice } = defineProps<{ practice: Practice }>()
const units = useUnits()
const open = ref(false)
const { value: answers } = useAnswer(
  (model) => (open.value && practice.sheet.value ? model.papers(practice.sheet.value) : undefined),
  () => [open.value, practice.sheet.value],
)
const paper = computed<Paper | undefined>(
  () =>
    answers.value && {
      title: t('practice.itsRecord'),
      of: practice.kept.value!.engine,
      made: t('practice.recordIsOfASound'),
      page: 'sheet',
      // Its crank is drawn of the open build, and nobody signs for it.
      blocks: buildSheet(practice.sheet.value!, answers.value, undefined, units).filter(
        ({ kind }) => kind !== 'drawing' && kind !== 'signature',
      ),
    },
)
</script>

<template>
  <section data-testid="practice-record">
    <Button type="button" variant="outlined" :aria-expanded="open" @click="open = !open">{{
      t('practice.itsRecord')
    }}</Button>
    <template v-if="open">
      <PaperPage v-if="paper" :paper="paper" />
      <p v-else class="quiet" role="status">{{ t('practice.preparing') }}</p>
    </template>
  </section>
</template>

<style scoped>
section {
  margin: 18px 0;
}
.paper {
  margin-top: 18px;
}
</style>
