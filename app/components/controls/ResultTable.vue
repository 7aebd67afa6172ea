<script setup lang="ts" generic="Row extends object">
/** Results side by side: PrimeVue's DataTable with Uldo's alignment, its first column the row's name. Columns are given in the slot. */
const {
  rows,
  label,
  attributes = () => ({}),
} = defineProps<{
  rows: readonly Row[]
  label?: string
  /** What a row carries for those who look for it (`data-…`, classes). */
  attributes?: (row: Row) => Record<string, unknown>
}>()
/** A seventh of all that a first screen would load: it comes once there are rows to show. */
const DataTable = defineAsyncComponent(() => import('primevue/datatable'))
const parts = computed(() => ({
  table: { 'aria-label': label },
  bodyRow: ({ props }: { props: { rowData: Row } }) => attributes(props.rowData),
  column: {
    bodyCell: ({ context }: { context?: { index: number } }) => (context?.index === 0 ? { role: 'rowheader' } : {}),
  },
}))
</script>

<template>
  <DataTable :value="[...rows]" class="results" :pt="parts"><slot /></DataTable>
</template>

<style>
.results .p-datatable-table {
  width: 100%;
}
.results .p-datatable-thead > tr > th,
.results .p-datatable-tbody > tr > td {
  text-align: right;
  vertical-align: baseline;
  font-weight: 400;
}
.results .p-datatable-thead > tr > th {
  color: var(--quiet);
  vertical-align: bottom;
  line-height: 1.2;
}
.results .p-datatable-column-title {
  font-weight: 400;
}
.results .p-datatable-column-header-content {
  justify-content: flex-end;
}
.results .p-datatable-sort-icon {
  width: 11px;
  height: 11px;
  flex: none;
}
.results .p-datatable-column-header-content {
  gap: 5px;
}
.results .p-datatable-thead > tr > th.words,
.results .p-datatable-tbody > tr > td.words,
.results .p-datatable-thead > tr:first-child > th:first-child,
.results .p-datatable-tbody > tr > td:first-child {
  text-align: left;
}
.results th.words .p-datatable-column-header-content,
.results tr:first-child > th:first-child .p-datatable-column-header-content {
  justify-content: flex-start;
}
.results .p-datatable-thead > tr:first-child > th:first-child,
.results .p-datatable-tbody > tr > td:first-child {
  padding-left: 0;
}
.results .p-datatable-tbody > tr > td[role='rowheader'] {
  font-weight: 600;
}
.results .p-datatable-tbody > tr > td.figures {
  font-family: var(--mono);
}
.results td .under {
  display: block;
  color: var(--quiet);
  font-weight: 400;
}
</style>
