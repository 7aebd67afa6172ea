<script setup lang="ts">
import { type BenchLine, benchLog, type BenchMethod, benchSays } from '#core/parts/reliefBench'
import { halfBand } from '#core/quantity/uncertain'
import type { ValveName } from '#core/parts/reliefReadings'

/** Every test of a valve, line by line; the one that counts is the spring as it stands now. */
const { valve } = defineProps<{ valve: ValveName }>()
const build = useBuild()
const units = useUnits()
const log = computed(() => benchLog(build.sheet!, valve))
/** What the running engine would read with the valve as each test had it. */
const { value: running } = useAnswer(
  (_, slow) => (build.sheet && log.value.length > 0 ? slow().benchReads(build.sheet, valve) : undefined),
  () => [build.sheet, valve],
)
const lines = computed(() =>
  log.value.map((line) => ({
    line,
    says: benchSays(build.sheet!, valve, line),
    reads: running.value?.find(({ key }) => key === line.key),
  })),
)
const RUNNING = [
  ['idleCold', 'idle cold'],
  ['workingHot', 'working hot'],
] as const
const counts = computed(() => log.value.findLast(({ fitted }) => fitted))
function count(line: BenchLine) {
  const changes = log.value
    .filter(({ key }) => key)
    .map(({ key }) => ({
      op: 'replace' as const,
      path: `/benches/${key}/fitted`,
      value: key === line.key && !line.fitted,
    }))
  void build.change(changes, 'Bench test', line.fitted ? 'counts no more' : 'counts')
}
const remove = (line: BenchLine) =>
  void build.change([{ op: 'remove', path: `/benches/${line.key}` }], 'Bench test', 'taken out')
const WORDS: Record<BenchMethod, string> = { air: 'air', 'dead-head': 'dead-head' }
const when = (at?: string) => (at ? new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }) : '')
</script>

<template>
  <section v-if="lines.length > 0" class="log" aria-label="Bench log">
    <h2>Bench log</h2>
    <ReadOtherwise />
    <table>
      <thead>
        <tr>
          <th scope="col">Tried</th>
          <th scope="col">How</th>
          <th scope="col">Shims</th>
          <th scope="col">Read</th>
          <th scope="col">Opened at</th>
          <th v-for="[state, words] in RUNNING" :key="state" scope="col">Running, {{ words }}</th>
          <th scope="col"><span class="hidden-but-read">Counts, or taken out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="{ line, says, reads } in lines"
          :key="line.key ?? 'written'"
          :class="{ counts: line === counts }"
          :data-bench="line.key"
        >
          <th scope="row">
            {{ when(line.at) }}<span class="origin">{{ line.by }}</span
            ><span v-if="line.note" class="origin">{{ line.note }}</span>
          </th>
          <td>
            {{ WORDS[line.method]
            }}<span v-if="line.method === 'dead-head'" class="origin"
              >{{ line.oil }} at {{ units.say(line.temperature ?? 20, 'temperature') }}</span
            ><span v-if="line.instrument" class="origin">{{ line.instrument }}</span>
          </td>
          <td class="mono">{{ units.show(line.shims, 'length') }}</td>
          <td class="mono">
            {{ units.show(line.reading, 'pressure', units.fine)
            }}<span class="origin">parts: {{ units.show(says.expected, 'pressure', units.fine) }}</span>
          </td>
          <td class="mono">
            {{ units.show(says.opening.value, 'pressure', units.fine)
            }}<span class="origin">± {{ units.show(halfBand(says.opening), 'pressure', units.fine) }}</span>
          </td>
          <td v-for="[state] in RUNNING" :key="state" class="mono" :data-running="state">
            <template v-if="reads"
              >{{ units.show(reads[state].pressure, 'pressure', units.fine)
              }}<span class="origin"
                >{{ units.show(reads[state].low, 'pressure', units.fine) }} to
                {{ units.show(reads[state].high, 'pressure', units.fine) }}</span
              ></template
            >
          </td>
          <td class="tools">
            <Button
              v-if="line.key"
              type="button"
              variant="outlined"
              :aria-pressed="line === counts"
              @click="count(line)"
              >{{ line === counts ? 'Counts' : 'Let it count' }}</Button><Button
              v-if="line.key"
              type="button"
              variant="outlined"
              :aria-label="`Take out the test of ${when(line.at)}`"
              @click="remove(line)"
              >Take out</Button
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      The line that counts is the spring as it stands now: it corrects rate and free length, and with them every
      prediction. What the running engine would read is with spring, length fitted and shims of that line. Pressures in
      {{ units.unit('pressure').symbol }}.
    </p>
  </section>
</template>

<style scoped>
.log {
  grid-column: 1 / -1;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 6px 10px 6px 0;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: top;
}
thead th {
  color: var(--quiet);
  border: 0;
}
.mono {
  text-align: right;
}
.counts th,
.counts td {
  font-weight: 650;
}
.origin {
  display: block;
  color: var(--quiet);
  font-size: 14px;
  font-weight: 400;
}
.tools {
  display: flex;
  gap: 8px;
}
</style>
