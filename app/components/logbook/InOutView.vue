<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { giveReadingsCsv } from '~/composables/drawingFile'

/** What leaves this build as files, and readings that come in from a spreadsheet. */
const build = useBuild()
const units = useUnits()
const csv = () => giveReadingsCsv(build.sheet!, units.unit)
</script>

<template>
  <div>
    <SpreadsheetImport />
    <section class="block out">
      <h2>{{ t('inOut.out') }}</h2>
      <ul>
        <li>
          <Button type="button" variant="text" @click="csv">{{ t('inOut.readingsAsCsv') }}</Button><span
            class="quiet"
            >{{ t('inOut.forASpreadsheet') }}</span
          >
        </li>
        <li>
          <a :href="`/api/builds/${build.id}/file`" download>{{ t('inOut.buildFile') }}</a><span class="quiet">{{
            t('inOut.recordAlone')
          }}</span>
        </li>
        <li>
          <a :href="`/api/builds/${build.id}/archive`" download>{{ t('inOut.archive') }}</a><span class="quiet">{{
            t('inOut.withHistory')
          }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  min-height: 44px;
}
li > :first-child {
  padding-inline: 0;
  min-width: 170px;
  justify-content: flex-start;
  font-weight: 600;
}
</style>
