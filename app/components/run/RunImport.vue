<script setup lang="ts">
import { ask, Refused, refusedWords } from '~/sync/ask'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { useSync } from '~/sync/useSync'
import { CHANNEL, CHANNELS, type Channel } from '#core/run/channels'
import { type BadRow, guessColumns, headingsOf, unitOf, unitsFor } from '#core/run/csv'
import { many } from '~/composables/words'

/** A logger's file read into the run: its columns are guessed and can be put right, units are asked once and kept for the next file with the same headings. */
const run = useRun()
const USES: (Channel | 'time' | 'none')[] = ['none', 'time', ...CHANNELS]
const wordsOf = (use: Channel | 'time' | 'none') =>
  use === 'none' ? 'leave out' : use === 'time' ? 'time' : CHANNEL[use].words
const text = ref('')
const name = ref('')
const headings = ref<string[]>([])
const uses = ref<{ use: Channel | 'time' | 'none'; unit: string }[]>([])
const bad = ref<BadRow[]>([])
const share = ref<number>()
const taken = ref<number>()
const problem = ref('')
let cancelling: AbortController | undefined

const kept = () =>
  rememberedJson<Record<string, { use: Channel | 'time' | 'none'; unit: string }[]>>('uldo.columns', {})
async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  problem.value = ''
  bad.value = []
  taken.value = undefined
  name.value = file.name
  text.value = await file.text()
  headings.value = headingsOf(text.value)
  const known = kept()[headings.value.join('|')]
  const guess = guessColumns(headings.value)
  uses.value =
    known ??
    headings.value.map((_, column) => {
      const found = guess.find((each) => each.column === column)
      return { use: found?.use ?? 'none', unit: found?.unit.symbol ?? '' }
    })
}
function setUse(column: number, use: Channel | 'time' | 'none') {
  uses.value = uses.value.map((each, i) =>
    i === column ? { use, unit: use === 'none' ? '' : unitOf(use).symbol } : each,
  )
}
const setUnit = (column: number, unit: string) =>
  (uses.value = uses.value.map((each, i) => (i === column ? { ...each, unit } : each)))
async function read() {
  const columns = uses.value.flatMap(({ use, unit }, column) =>
    use === 'none' ? [] : [{ column, use, unit: unit || unitOf(use).symbol }],
  )
  if (!columns.some(({ use }) => use === 'time')) return void (problem.value = 'Say which column is the time.')
  if (columns.length < 2) return void (problem.value = 'Say which column is a reading.')
  remember('uldo.columns', JSON.stringify({ ...kept(), [headings.value.join('|')]: uses.value }))
  problem.value = ''
  taken.value = undefined
  bad.value = []
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
      query: { columns: JSON.stringify(columns) },
      body: text.value,
      signal: cancelling.signal,
    })
    taken.value = read.taken
    bad.value = read.refused
  } catch (error) {
    problem.value =
      error instanceof Refused && error.refusal.code === 'cancelled'
        ? 'Cancelled: what was read until then is in the run.'
        : refusedWords(error, 'The server does not answer: the file is still here, read it in again.')
  } finally {
    unwatch()
    share.value = undefined
  }
}
</script>

<template>
  <div class="import">
    <label class="file p-button p-button-outlined"
      >Choose a file<input type="file" accept=".csv,.txt,text/csv" data-testid="run-file" @change="choose"
    /></label>
    <span v-if="name" class="quiet">{{ name }}</span>
    <table v-if="headings.length > 0">
      <thead>
        <tr>
          <th>Column</th>
          <th>Is</th>
          <th>In</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(heading, i) in headings" :key="i">
          <td>{{ heading }}</td>
          <td>
            <ChoiceField
              :label="`${heading} is`"
              :value="uses[i].use"
              :options="USES.map((use) => ({ value: use, words: wordsOf(use) }))"
              @choose="setUse(i, $event)"
            />
          </td>
          <td>
            <ChoiceField
              v-if="uses[i].use !== 'none'"
              :label="`${heading} in`"
              quiet
              :value="uses[i].unit"
              :options="unitsFor(uses[i].use as Channel).map(({ symbol }) => ({ value: symbol, words: symbol }))"
              @choose="setUnit(i, $event)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <div v-if="headings.length > 0" class="actions">
      <Button v-if="share === undefined" type="button" @click="read">Read it in</Button>
      <template v-else
        ><progress :value="share" max="1" aria-label="Read so far" /><Button
          type="button"
          variant="outlined"
          @click="cancelling?.abort()"
          >Cancel</Button
        ></template
      >
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="taken !== undefined" role="status" data-testid="imported">
      {{ many(taken, 'reading is', 'readings are') }} in{{
        bad.length > 0 ? `; ${many(bad.length, 'cell')} could not be read` : ''
      }}.
    </p>
    <ul v-if="bad.length > 0" class="bad">
      <li v-for="each in bad.slice(0, 12)" :key="`${each.line}${each.column}`">
        Line {{ each.line }}, {{ each.column }}: {{ each.message }}.
      </li>
      <li v-if="bad.length > 12">and {{ bad.length - 12 }} more</li>
    </ul>
  </div>
</template>

<style scoped>
.import {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.file {
  display: inline-flex;
  align-items: center;
  cursor: pointer;
  border: 1px solid var(--petrol);
  color: var(--petrol);
  border-radius: 3px;
  background: none;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
.file:focus-within {
  outline: 2px solid var(--petrol);
  outline-offset: 2px;
}
table {
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--quiet);
  padding: 4px 18px 4px 0;
}
td {
  padding: 2px 18px 2px 0;
  border-top: 1px solid var(--rule);
}
progress {
  width: 260px;
  height: 20px;
  accent-color: var(--oil);
  align-self: center;
}
.wrong {
  color: var(--stop);
}
.bad {
  margin: 0;
  padding-left: 20px;
}
</style>
