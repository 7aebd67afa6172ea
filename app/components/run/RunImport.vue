<script setup lang="ts">
import { t } from '~/words/of/runs'
import { whole } from '~/words/numbers'
import { ask, Refused, refusedWords } from '~/sync/ask'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { useSync } from '~/sync/useSync'
import { CHANNEL, CHANNELS, type Channel } from '#core/run/channels'
import { type BadRow, type FileHead, fileHead, guessColumns, unitsFor } from '#core/run/csv'
import { decodeText } from '#core/spreadsheet/decode'
import { firstRow, type HeaderGuess, isUnitsRow } from '#core/spreadsheet/headings'

/** A logger's file read into the run: its columns are guessed and can be put right, units are asked once and kept for the next file with the same headings. */
const run = useRun()
const USES: (Channel | 'time' | 'none')[] = ['none', 'time', ...CHANNELS]
const wordsOf = (use: Channel | 'time' | 'none') =>
  use === 'none' ? t('runImport.leaveOut') : use === 'time' ? 'time' : CHANNEL[use].words
const text = ref('')
const name = ref('')
const head = shallowRef<FileHead>()
const headings = computed(() => head.value?.headings ?? [])
interface Use {
  use: Channel | 'time' | 'none'
  /** Empty until somebody says it: no unit is guessed. */
  unit: string
}
const uses = ref<Use[]>([])
const bad = ref<BadRow[]>([])
const share = ref<number>()
const taken = ref<number>()
const problem = ref('')
let cancelling: AbortController | undefined

const kept = () => rememberedJson<Record<string, Use[]>>('uldo.columns', {})
/** What a file's columns were taken as goes by its headings. */
const keptAs = () => headings.value.map((heading) => heading.text).join('|')
async function choose(file: File) {
  name.value = file.name
  text.value = decodeText(new Uint8Array(await file.arrayBuffer()))
  begin()
}
/** @param header line with the headings, where it is not the one that looks like it */
function begin(header?: HeaderGuess) {
  problem.value = ''
  bad.value = []
  taken.value = undefined
  head.value = fileHead(text.value, header)
  const guess = guessColumns(head.value)
  uses.value =
    kept()[keptAs()] ??
    headings.value.map(({ column }) => {
      const found = guess.find((each) => each.column === column)
      return { use: found?.use ?? 'none', unit: found?.unit?.symbol ?? '' }
    })
}
/** The lines that may have the headings, with what stands in them. */
const lineChoices = computed(() => headerLines(head.value?.rows ?? [], t('runImport.noHeadings')))
function setHeader(line: string) {
  const row = Number(line) - 1
  begin({ row, units: row >= 0 && isUnitsRow(head.value!.rows[row + 1]) })
}
const first = computed(
  () => head.value?.rows.slice(firstRow(head.value.header)).filter((row) => row.some(Boolean)) ?? [],
)
const columns = computed(() =>
  headings.value.map(({ text: heading, column }, i) => ({
    heading,
    column: i,
    at: column,
    cells: first.value
      .slice(0, 3)
      .map((row) => row[column] ?? '')
      .filter(Boolean)
      .join(', '),
    ...uses.value[i]!,
  })),
)
const unitFits = (use: Use['use'], unit: string) =>
  use !== 'none' && unitsFor(use).some(({ symbol }) => symbol === unit)
function setUse(column: number, use: Channel | 'time' | 'none') {
  uses.value = uses.value.map((each, i) =>
    i === column ? { use, unit: unitFits(use, each.unit) ? each.unit : '' } : each,
  )
}
const setUnit = (column: number, unit: string) =>
  (uses.value = uses.value.map((each, i) => (i === column ? { ...each, unit } : each)))
async function read() {
  const used = columns.value.filter(({ use }) => use !== 'none')
  const unknown = used.find(({ unit }) => unit === '')
  if (unknown) return void (problem.value = t('runImport.sayTheUnit', { heading: unknown.heading }))
  const given = used.map(({ at, use, unit }) => ({ column: at, use, unit }))
  if (!used.some(({ use }) => use === 'time')) return void (problem.value = t('runImport.sayWhichColumnIsTheTime'))
  if (used.length < 2) return void (problem.value = t('runImport.sayWhichColumnIsAReading'))
  remember('uldo.columns', JSON.stringify({ ...kept(), [keptAs()]: uses.value }))
  problem.value = ''
  taken.value = undefined
  bad.value = []
  const { header } = head.value!
  const before = run.samples.length
  const rows = text.value.split('\n').length - 1
  share.value = 0
  // What is committed comes back piece by piece: that is how far it is.
  const unwatch = watch(
    () => run.samples.length,
    (count) => share.value !== undefined && (share.value = Math.min(1, (count - before) / rows)),
  )
  cancelling = new AbortController()
  try {
    await useSync().send()
    const read = await ask('POST /api/runs/:run/samples', {
      at: { run: run.run!.id },
      query: { columns: JSON.stringify(given), header: `${header.row + 1}${header.units ? 'u' : ''}` },
      body: text.value,
      signal: cancelling.signal,
    })
    taken.value = read.taken
    bad.value = read.refused
  } catch (error) {
    problem.value =
      error instanceof Refused && error.refusal.code === 'cancelled'
        ? t('runImport.cancelledWhatWasReadUntilThen')
        : refusedWords(error, t('runImport.theServerDoesNotAnswerThe'))
  } finally {
    unwatch()
    share.value = undefined
  }
}
</script>

<template>
  <div class="import">
    <FilePick
      :words="t('runImport.chooseAFile')"
      accept=".csv,.txt,text/csv"
      :label="t('runImport.loggersFile')"
      outlined
      @pick="choose"
    />
    <span v-if="name" class="quiet">{{ name }}</span>
    <label v-if="head" class="line"
      ><span class="quiet">{{ t('runImport.headingsStandIn') }}</span
      ><ChoiceField
        :label="t('runImport.headingsStandIn')"
        :value="String(head.header.row + 1)"
        :options="lineChoices"
        @choose="setHeader"
    /></label>
    <ResultTable
      v-if="headings.length > 0"
      :rows="columns"
      :label="t('runImport.columnsOfTheFile')"
      class="columns-of-file"
    >
      <Column field="heading" :header="t('runImport.column')"
        ><template #body="{ data }"
          >{{ data.heading }}<span class="under mono">{{ data.cells }}</span></template
        ></Column
      ><Column :header="t('runImport.is')" class="words"
        ><template #body="{ data }"
          ><ChoiceField
            :label="t('runImport.is2', { heading: data.heading })"
            :value="data.use"
            :options="USES.map((use) => ({ value: use, words: wordsOf(use) }))"
            @choose="setUse(data.column, $event)" /></template></Column
      ><Column :header="t('runImport.in')" class="words"
        ><template #body="{ data }"
          ><ChoiceField
            v-if="data.use !== 'none'"
            :label="t('runImport.in2', { heading: data.heading })"
            quiet
            :value="data.unit"
            :options="[
              { value: '', words: t('runImport.chooseItsUnit') },
              ...unitsFor(data.use as Channel).map(({ symbol }) => ({ value: symbol, words: symbol })),
            ]"
            @choose="setUnit(data.column, $event)" /></template
      ></Column>
    </ResultTable>
    <div v-if="headings.length > 0" class="actions">
      <Button v-if="share === undefined" type="button" @click="read">{{ t('runImport.readItIn') }}</Button>
      <template v-else
        ><ProgressBar :value="100 * share" :show-value="false" :aria-label="t('runImport.readSoFar')" /><Button
          type="button"
          variant="outlined"
          @click="cancelling?.abort()"
          >{{ t('runImport.cancel') }}</Button
        ></template
      >
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="taken !== undefined" role="status" data-testid="imported">
      {{
        t('runImport.in3', {
          taken: t('runImport.readingIsReadingsAre', { n: whole(taken) }, taken),
          count:
            bad.length > 0
              ? t('runImport.couldNotBeRead', { count: t('runImport.cellCells', { n: whole(bad.length) }, bad.length) })
              : '',
        })
      }}
    </p>
    <ul v-if="bad.length > 0" class="bad">
      <li v-for="each in bad.slice(0, 12)" :key="`${each.line}${each.column}`">
        {{ t('runImport.line', { line: each.line, column: each.column, message: each.message }) }}
      </li>
      <li v-if="bad.length > 12">{{ t('runImport.andMore', { count: bad.length - 12 }) }}</li>
    </ul>
  </div>
</template>

<style scoped>
.import {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.p-progressbar {
  width: 260px;
  align-self: center;
}
.wrong {
  color: var(--stop);
}
.bad {
  margin: 0;
  padding-left: 20px;
}
.line {
  display: grid;
  gap: 3px;
}
.under {
  display: block;
  max-width: 34ch;
  overflow: hidden;
  color: var(--quiet);
  font-weight: 400;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
