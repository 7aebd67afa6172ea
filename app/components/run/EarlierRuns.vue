<script setup lang="ts">
import { t } from '~/words/of/start'
import type { Run } from '#core/run/run'
import { dateAndTimeOf } from '~/words/dates'

/** Runs of this build that are over or still open elsewhere, newest first. */
const emit = defineEmits<{ look: [run: Run] }>()
const run = useRun()
</script>

<template>
  <ResultTable :rows="run.list" :label="t('earlierRuns.earlierRuns')" :attributes="(each) => ({ 'data-run': each.id })">
    <Column field="startedAt" :header="t('earlierRuns.begun')" sortable
      ><template #body="{ data }">{{ dateAndTimeOf(data.startedAt) }}</template></Column
    ><Column field="outcome" :header="t('earlierRuns.cameTo')" class="words" sortable
      ><template #body="{ data }">{{ data.outcome ?? 'open' }}</template></Column
    ><Column field="samples" :header="t('earlierRuns.readings')" body-class="figures" sortable /><Column
      field="setup.source"
      :header="t('earlierRuns.source')"
      class="words"
      sortable
      ><template #body="{ data }">{{ data.setup.source === 'rig' ? 'simulated' : data.setup.source }}</template></Column
    ><Column
      ><template #header
        ><span class="hidden-but-read">{{ t('earlierRuns.look') }}</span></template
      ><template #body="{ data }"
        ><Button type="button" variant="outlined" @click="emit('look', data)">{{
          t('earlierRuns.lookAtIt')
        }}</Button></template
      ></Column
    >
  </ResultTable>
</template>
