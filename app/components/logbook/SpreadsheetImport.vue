<script setup lang="ts">
import { t } from '~/words/of/logbook'
import { findUnit } from '#core/quantity/parse'
import { UNITS } from '#core/quantity/units'
import type { ImportLine } from '#core/spreadsheet/readings'
import { type Column, ROLES } from '#core/spreadsheet/roles'
import { figure } from '~/words/numbers'
import { IMPORT_STATES, refusedCell } from '~/words/spreadsheet'
import { named, said } from '~/words/speak'

/** Readings in from a spreadsheet: a file, or a block that is pasted. What each column is can be put right, what each cell becomes is seen before, and all of it is one step to undo. */
const units = useUnits()
const from = useSpreadsheet()
const pasted = ref('')
const ROLE_WORDS = said(t, {
  none: 'spreadsheet.leaveOut',
  number: 'spreadsheet.whichBearing',
  what: 'spreadsheet.whatIsRead',
  value: 'spreadsheet.itsValue',
  unit: 'spreadsheet.itsUnit',
  instrument: 'spreadsheet.withWhat',
  note: 'spreadsheet.aNote',
}) satisfies Record<(typeof ROLES)[number], string>
const uses = computed(() => [
  ...ROLES.map((value) => ({ value: value as string, words: ROLE_WORDS[value] })),
  ...from.patterns.value.map(({ key, label }) => ({ value: key, words: named(label) })),
])
const lineChoices = computed(() => headerLines(from.rows.value, t('spreadsheet.noHeadings')))
const unitsOf = ({ use }: Column) => {
  const pattern = from.patterns.value.find(({ key }) => key === use)
  const found = pattern ? UNITS[pattern.dimension] : []
  return [
    { value: '', words: t('spreadsheet.choose') },
    ...found.map(({ symbol }) => ({ value: symbol, words: symbol })),
  ]
}
const hasUnit = (column: Column) => unitsOf(column).some(({ value }) => value !== '')
/** A unit as the list has it, whatever way the file writes it. */
function unitOf({ use, unit }: Column): string {
  const pattern = from.patterns.value.find(({ key }) => key === use)
  return (pattern && unit && findUnit(unit, pattern.dimension)?.symbol) || ''
}
const saidValue = ({ quantity }: ImportLine, value: number) => units.sayReading(value, quantity!)
const why = (line: ImportLine) => refusedCell(line, units.sayReading)
/** What needs a look stands first. */
const ORDER = ['refused', 'doubtful', 'changes', 'new', 'same'] as const
const listed = computed(() =>
  [...from.lines.value].sort(
    (a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || a.line - b.line || a.column - b.column,
  ),
)
const count = (state: ImportLine['state']) => from.lines.value.filter((each) => each.state === state).length
const wanted = computed(() => Object.keys(from.readings.value).length)
const told = computed(() =>
  (['refused', 'doubtful', 'changes', 'new', 'same'] as const)
    .filter((state) => count(state) > 0)
    .map((state) => `${figure(count(state), 0)} ${IMPORT_STATES[state]}`)
    .join(', '),
)
function paste() {
  from.begin(pasted.value, t('spreadsheet.pastedBlock'))
}
</script>

<template>
  <section class="block" data-testid="spreadsheet">
    <h2>{{ t('spreadsheet.fromASpreadsheet') }}</h2>
    <p class="quiet">{{ t('spreadsheet.whatItTakes') }}</p>
    <div class="ways">
      <FilePick
        :words="t('spreadsheet.chooseAFile')"
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        :label="t('spreadsheet.file')"
        outlined
        @pick="from.open($event)"
      />
      <label class="paste"
        ><span class="quiet">{{ t('spreadsheet.orPaste') }}</span
        ><Textarea v-model="pasted" rows="2" :aria-label="t('spreadsheet.pastedBlock')" /></label
      ><Button type="button" variant="outlined" :disabled="pasted.trim() === ''" @click="paste">{{
        t('spreadsheet.lookAtIt')
      }}</Button>
    </div>
    <p v-if="from.problem.value" class="wrong" role="alert">{{ from.problem.value }}</p>
    <template v-if="from.rows.value.length > 0">
      <label class="header"
        ><span class="quiet">{{ t('spreadsheet.headingsStandIn', { name: from.name.value }) }}</span
        ><ChoiceField
          :label="t('spreadsheet.headingsStandIn', { name: from.name.value })"
          :value="String(from.header.value.row + 1)"
          :options="lineChoices"
          @choose="from.setHeaderLine(Number($event))"
      /></label>
      <ResultTable :rows="from.columns.value" :label="t('spreadsheet.columns')" data-key="column">
        <Column :header="t('spreadsheet.heading')" class="words"
          ><template #body="{ data }">{{ data.text }}</template></Column
        ><Column :header="t('spreadsheet.is')" class="words"
          ><template #body="{ data }"
            ><Select
              :model-value="data.use"
              :options="uses"
              option-label="words"
              option-value="value"
              filter
              class="use"
              scroll-height="50vh"
              :aria-label="t('spreadsheet.headingIs', { heading: data.text })"
              @update:model-value="from.setUse(data.column, $event as string)" /></template></Column
        ><Column :header="t('spreadsheet.in')" class="words"
          ><template #body="{ data }"
            ><ChoiceField
              v-if="hasUnit(data)"
              :label="t('spreadsheet.headingIn', { heading: data.text })"
              :value="unitOf(data)"
              :options="unitsOf(data)"
              @choose="from.setUnit(data.column, $event)" /></template
        ></Column>
      </ResultTable>
      <p v-if="from.lines.value.length === 0" class="quiet" data-testid="nothing-found">
        {{ t('spreadsheet.nothingFound') }}
      </p>
      <template v-else>
        <p data-testid="import-told">{{ told }}.</p>
        <ResultTable
          :rows="listed"
          :label="t('spreadsheet.preview')"
          :attributes="({ key, state, line }) => ({ 'data-import': key ?? `line ${line}`, 'data-import-state': state })"
        >
          <Column :header="t('spreadsheet.reading')" class="words"
            ><template #body="{ data }"
              >{{ named(data.label)
              }}<span class="under">{{ t('spreadsheet.ofLine', { line: data.line }) }}</span></template
            ></Column
          ><Column :header="t('spreadsheet.cell')"
            ><template #body="{ data }"
              ><span class="mono">{{ data.cell }}</span></template
            ></Column
          ><Column :header="t('spreadsheet.becomes')"
            ><template #body="{ data }"
              ><span v-if="data.value !== undefined" class="mono">{{ saidValue(data, data.value) }}</span
              ><span v-if="data.before" class="under">{{
                t('spreadsheet.standsNow', { value: saidValue(data, data.before.value) })
              }}</span></template
            ></Column
          ><Column :header="t('spreadsheet.state')" class="words"
            ><template #body="{ data }"
              ><b>{{ IMPORT_STATES[data.state as ImportLine['state']] }}</b
              ><span v-if="why(data)" class="under">{{ why(data) }}</span
              ><TickBox
                v-if="data.state === 'doubtful'"
                :value="from.confirmed.value.has(data.key)"
                @tick="from.confirm(data.key, $event)"
                >{{ t('spreadsheet.takeItAllTheSame') }}</TickBox
              ></template
            ></Column
          >
        </ResultTable>
        <div class="actions">
          <Button type="button" :disabled="wanted === 0" data-testid="take-in" @click="from.take()">{{
            t('spreadsheet.takeIn', { n: wanted }, wanted)
          }}</Button><Button type="button" variant="outlined" @click="from.close()">{{
            t('spreadsheet.leaveIt')
          }}</Button>
        </div>
      </template>
    </template>
    <p v-if="from.taken.value !== undefined" role="status" data-testid="taken-in">
      {{ t('spreadsheet.takenIn', { n: from.taken.value }, from.taken.value) }}
    </p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
p {
  margin: 0;
  max-width: 70ch;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 18px;
  align-items: end;
}
.paste {
  display: grid;
  gap: 3px;
  flex: 1 1 280px;
}
.header {
  display: grid;
  gap: 3px;
  justify-items: start;
}
.use {
  min-height: 44px;
  width: 100%;
  max-width: 300px;
}
.wrong {
  color: var(--stop);
}
.under {
  display: block;
  color: var(--quiet);
  font-weight: 400;
}
.mono {
  white-space: nowrap;
}
@media (max-width: 700px) {
  .use {
    max-width: 172px;
  }
}
</style>
