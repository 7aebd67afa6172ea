<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import type { BearingSet } from '#core/parts/bearingReadings'
import { bearingsOf, clearanceLimits } from '#core/parts/clearances'
import { judgeClearance } from '#core/bearing/judge'

/** Mains or rods in the engine's order: journal and bore, or the clearance by strip; clearance and verdict appear at once. */
const { set } = defineProps<{ set: BearingSet }>()
const build = useBuild()
const units = useUnits()
const records = computed(() => bearingsOf(build.sheet!, set))
const limits = computed(() => clearanceLimits(build.sheet!, set, records.value[0].diameter))
const rows = computed(() =>
  records.value.map((record) => ({
    ...record,
    direct: record.clearance.source === 'measured' && !(record.journal && record.bore),
    verdict: record.conflict
      ? ('stop' as const)
      : record.clearance.source === 'measured' || record.chosen
        ? judgeClearance(record.clearance, clearanceLimits(build.sheet!, set, record.diameter)).verdict
        : undefined,
  })),
)
const symbols = computed(() => ({ side: units.unit('diameter').symbol, gap: units.unit('clearance').symbol }))
</script>

<template>
  <section>
    <div class="block-head">
      <h2>{{ set === 'main' ? t('bearingTable.mains') : t('bearingTable.rods') }}</h2>
      <span class="note">{{
        t('bearingTable.to', {
          source: limits.source === 'maker' ? t('bearingTable.makersLimit') : t('bearingTable.houseLimit'),
          least: units.show(limits.least, 'clearance'),
          most: units.say(limits.most, 'clearance'),
        })
      }}</span>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col">
            <span class="hidden-but-read">{{ t('bearingTable.bearing') }}</span>
          </th>
          <th scope="col">{{ t('bearingTable.journal', { side: symbols.side }) }}</th>
          <th scope="col">{{ t('bearingTable.bore', { side: symbols.side }) }}</th>
          <th scope="col">{{ t('bearingTable.clearance', { gap: symbols.gap }) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.number" :class="row.verdict" :data-bearing="`${set}.${row.number}`">
          <th scope="row">{{ named(row.label) }}</th>
          <td><ReadingInput :name="`${set}.${row.number}.journal`" run="sides" :column="`${set}.journal`" /></td>
          <td><ReadingInput :name="`${set}.${row.number}.bore`" run="sides" :column="`${set}.bore`" /></td>
          <td class="clearance">
            <span v-if="row.conflict" class="mono result" v-tip="row.conflict">{{ t('bearingTable.none') }}</span>
            <span
              v-else-if="row.journal && row.bore"
              class="mono result"
              data-testid="clearance"
              :class="{ chosen: row.chosen }"
              v-tip="row.chosen ? t('bearingTable.withTheShellsChosenNotMeasured') : undefined"
              >{{ units.show(row.clearance.value, 'clearance')
              }}<span v-if="row.verdict && row.verdict !== 'pass'" class="hidden-but-read"
                >, {{ named(row.verdict) }}</span
              ></span
            >
            <ReadingInput
              v-else
              :name="`${set}.${row.number}.clearance`"
              run="strip"
              :column="`${set}.clearance`"
              class="strip"
              :class="{ direct: row.direct }"
            />
            <span
              v-if="!row.direct && !(row.journal && row.bore)"
              class="assumed mono"
              v-tip="
                row.clearance.source === 'computed'
                  ? t('bearingTable.meanOfTheMeasuredOnes')
                  : t('bearingTable.usualForTheSize')
              "
              >{{ units.show(row.clearance.value, 'clearance') }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  color: var(--quiet);
  font-weight: 400;
  text-align: right;
  padding: 0 8px 4px 0;
  white-space: nowrap;
}
tbody tr {
  border-top: 1px solid var(--rule);
  height: 46px;
}
tbody tr:last-child {
  border-bottom: 1px solid var(--rule);
}
tbody tr:focus-within {
  background: var(--petrol-wash);
}
tbody th {
  text-align: left;
  font-weight: 650;
  white-space: nowrap;
}
td {
  text-align: right;
  padding: 0;
  position: relative;
}
td :deep(input) {
  width: 94px;
  height: 44px;
  padding-inline: 6px;
}
.result {
  font-size: 18px;
  font-weight: 700;
  padding-right: 8px;
}
.stop .result,
.stop .strip :deep(input) {
  color: var(--stop);
  font-weight: 700;
}
.stop th {
  box-shadow: inset 4px 0 0 var(--stop);
  padding-left: 10px;
}
.watch th {
  padding-left: 10px;
  background: repeating-linear-gradient(var(--watch) 0 4px, transparent 4px 7px) left / 4px 100% no-repeat;
}
.watch .result {
  color: var(--watch);
}
.chosen {
  text-decoration: underline dashed 1px;
  text-underline-offset: 5px;
}
.clearance .assumed {
  position: absolute;
  right: 8px;
  top: 12px;
  pointer-events: none;
  font-size: 16px;
}
.clearance :deep(input:focus),
.clearance :deep(input:not(:placeholder-shown)) {
  background: var(--sheet);
  position: relative;
  z-index: 1;
}
.clearance :deep(input:placeholder-shown:not(:focus)) {
  border-bottom-color: transparent;
}
@media (max-width: 760px) {
  td :deep(input) {
    width: 86px;
    font-size: 16px;
    padding: 0 4px;
  }
}
</style>
