<script setup lang="ts">
import { type BenchLine, benchLog, type BenchMethod, benchOf, benchSays, writtenTest } from '#core/parts/reliefBench'
import { springRateOf } from '#core/parts/reliefSpring'
import type { ValveName } from '#core/parts/reliefReadings'
import { halfBand } from '#core/quantity/uncertain'
import { requireValue } from '#core/engine/values'
import { OIL_GRADES } from '#core/oil/grades'
import type { ReliefSummary } from '#core/outlook/relief'

/** The valve tried before it goes in: the reading against the model, what it corrects, and what it means for the running engine. */
const { valve, summary } = defineProps<{ valve: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const units = useUnits()
const METHODS = [
  { value: 'air', words: 'air on a fixture' },
  { value: 'dead-head', words: 'dead-head, by drill' },
] as const
const method = computed<BenchMethod>(() =>
  build.sheet!.choices[`${valve}.bench`] === 'dead-head' ? 'dead-head' : 'air',
)
const bench = computed(() => benchOf(build.sheet!, valve))
const oil = computed(() => build.sheet!.choices[`${valve}.benchOil`] ?? build.sheet!.oil.grade)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const reading = computed(() => build.sheet!.readings[`${valve}.benchPressure`])
const log = computed(() => benchLog(build.sheet!, valve))
const lines = computed(() => log.value.map((line) => ({ line, says: benchSays(build.sheet!, valve, line) })))
const counts = computed(() => log.value.findLast(({ fitted }) => fitted))
const note = ref('')
/** A reading that was written becomes a line of the log, with the method, oil, shims and length fitted of its moment: none of them changes under it later. */
watch(
  () => reading.value?.at,
  (at) => at && void enter(),
)
function enter() {
  const test = writtenTest(build.sheet!, valve)
  if (!test) return
  const next = 1 + Math.max(0, ...log.value.map(({ key }) => Number(key?.split('.')[1] ?? 0)))
  const gone = ['benchPressure', 'benchShims', 'benchInstalled']
    .filter((field) => build.sheet!.readings[`${valve}.${field}`])
    .map((field) => ({ op: 'remove' as const, path: `/readings/${valve}.${field}` }))
  const others = log.value
    .filter(({ key, fitted }) => key && fitted)
    .map(({ key }) => ({ op: 'replace' as const, path: `/benches/${key}/fitted`, value: false }))
  void build.change(
    [
      ...gone,
      ...others,
      {
        op: 'add',
        path: `/benches/${valve}.${next}`,
        value: { ...test, ...(note.value.trim() ? { note: note.value.trim() } : {}) },
      },
    ],
    'Bench test',
    'into the log',
  )
  note.value = ''
}
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
const rate = computed(() => springRateOf(build.sheet!, valve))
</script>

<template>
  <div class="columns">
    <section>
      <h2>The test</h2>
      <div class="row wide">
        <span class="what">By</span
        ><SegmentChoice
          label="Tried by"
          :value="method"
          :options="METHODS"
          @choose="build.choose(`${valve}.bench`, $event ?? method, 'Bench method')"
        />
      </div>
      <template v-if="method === 'dead-head'">
        <div class="row">
          <span class="what">Oil</span
          ><ChoiceField
            label="Oil on the bench"
            :value="oil"
            :options="OIL_GRADES.map(({ name }) => ({ value: name, words: name }))"
            @choose="build.choose(`${valve}.benchOil`, $event, 'Oil on the bench')"
          />
        </div>
        <ReadingRow :name="`${valve}.benchTemperature`" /><ReadingRow :name="`${valve}.benchSpeed`" />
      </template>
      <div class="row">
        <label class="what" :for="`${valve}-note`">Before or after which change</label
        ><InputText :id="`${valve}-note`" v-model="note" maxlength="200" placeholder="before; after the 1.5 mm stack" />
      </div>
      <ReadingRow :name="`${valve}.benchPressure`" />
      <CautionNote :name="method === 'air' ? 'bench-air' : 'bench-drill'">{{
        method === 'air'
          ? 'Air behind a plunger throws it: face clear, eye protection, pressure raised slowly. Air on oil sprays and can ignite.'
          : 'Rotating drill, hot oil under pressure: no loose gloves, a shield before the fixture.'
      }}</CautionNote>
    </section>
    <section v-if="bench">
      <h2>Says</h2>
      <div class="row">
        <span class="what"
          >Model before it<span class="origin">{{
            method === 'air' ? 'where bubbles start' : 'all the pump gives, past the plunger'
          }}</span></span
        ><span class="figure" data-testid="bench-expected"
          >{{ units.show(bench.expected, 'pressure', units.fine)
          }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >Spring rate<span class="origin">{{ units.show(rate.value, 'springRate') }} before</span></span
        ><span class="figure" data-testid="bench-rate"
          >{{ units.show(bench.springRate.value, 'springRate')
          }}<span class="unit">± {{ units.say(halfBand(bench.springRate), 'springRate') }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >Free length<span class="origin"
            >{{ units.show(requireValue(build.sheet!, `${valve}.freeLength`).value, 'length') }} before</span
          ></span
        ><span class="figure"
          >{{ units.show(bench.freeLength.value, 'length')
          }}<span class="unit">± {{ units.say(halfBand(bench.freeLength), 'length') }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >Opens, on the bench<span class="origin">with {{ units.say(bench.shims, 'length') }} of shims</span></span
        ><span class="figure" data-testid="bench-opening"
          >{{ units.show(bench.opening.value, 'pressure', units.fine)
          }}<span class="unit">± {{ p(halfBand(bench.opening)) }}</span></span
        >
      </div>
      <template v-if="summary">
        <div class="row">
          <span class="what">In the engine, opens<span class="origin">shims as they are now</span></span
          ><span class="figure"
            >{{ units.show(summary.opens, 'pressure', units.fine)
            }}<span class="unit">± {{ p(halfBand({ sigma: summary.opensSigma })) }}</span></span
          >
        </div>
        <div v-if="summary.fullFlowCold" class="row">
          <span class="what">In the engine, cold, full flow<span class="origin">at working speed</span></span
          ><span class="figure"
            >{{ units.show(summary.fullFlowCold, 'pressure', units.fine)
            }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
          >
        </div>
      </template>
      <JudgementLine :verdict="bench.surprise > 3 ? 'watch' : 'pass'" data-testid="bench-verdict"
        ><template v-if="bench.surprise > 3"
          ><b
            >The bench reads {{ p(Math.abs(bench.reading - bench.expected)) }}
            {{ bench.reading > bench.expected ? 'over' : 'under' }} what its parts say: more than they can be out.</b
          >
          Measure plunger and spring again, look for a plunger that sticks, and whether the gauge reads nothing at
          rest.</template
        ><template v-else
          ><b>{{ p(bench.reading) }} read, {{ p(bench.expected) }} expected.</b> Rate and free length are corrected by
          it, and every prediction goes by that.</template
        ></JudgementLine
      >
    </section>
    <section v-else>
      <h2>Says</h2>
      <p class="quiet">
        {{
          method === 'air'
            ? 'Write the pressure at which air first bubbles past the plunger: with next to no flow it is where flow starts.'
            : 'Write what the gauge settles at: it is above the opening by the override, and above a running engine’s, whose circuit takes most of the flow.'
        }}
        The reading corrects the spring, and with it every prediction.
      </p>
    </section>
    <section v-if="lines.length > 0" class="log" aria-label="Bench log">
      <h2>Bench log</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">Tried</th>
            <th scope="col">By</th>
            <th scope="col">In</th>
            <th scope="col">Shims</th>
            <th scope="col">Read</th>
            <th scope="col">Its parts said</th>
            <th scope="col">Opened at</th>
            <th scope="col">Which</th>
            <th scope="col"><span class="hidden-but-read">Counts, or taken out</span></th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ line, says } in lines"
            :key="line.key ?? 'written'"
            :class="{ counts: line === counts }"
            :data-bench="line.key"
          >
            <th scope="row">
              {{ when(line.at) }}<span class="origin">{{ line.by }}</span>
            </th>
            <td>
              {{ WORDS[line.method] }}<span v-if="line.instrument" class="origin">{{ line.instrument }}</span>
            </td>
            <td>
              {{
                line.method === 'dead-head'
                  ? `${line.oil ?? ''} at ${units.say(line.temperature ?? 20, 'temperature')}`
                  : 'air'
              }}
            </td>
            <td class="mono">{{ units.show(line.shims, 'length') }}</td>
            <td class="mono">{{ units.show(line.reading, 'pressure', units.fine) }}</td>
            <td class="mono">{{ units.show(says.expected, 'pressure', units.fine) }}</td>
            <td class="mono">{{ units.show(says.opening.value, 'pressure', units.fine) }}</td>
            <td>{{ line.note }}</td>
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
        prediction, cold and hot. Pressures in {{ units.unit('pressure').symbol }}.
      </p>
    </section>
  </div>
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
