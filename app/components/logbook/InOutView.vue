<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { fileName, giveFile } from '~/composables/drawingFile'

/** What leaves this build as files, and readings that come in from a spreadsheet. */
const build = useBuild()
const units = useUnits()
async function csv() {
  const { readingsCsv } = await import('#core/engine/readingsCsv')
  giveFile(
    `${fileName(build.sheet!.name, 'readings')}.csv`,
    new Blob([readingsCsv(build.sheet!, ({ dimension }) => units.unit(dimension))], { type: 'text/csv' }),
  )
}
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
