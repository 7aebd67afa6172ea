<script setup lang="ts">
import { benchLog, type BenchMethod, benchOf, writtenTest } from '#core/parts/reliefBench'
import { springRateOf } from '#core/parts/reliefSpring'
import type { ValveName } from '#core/parts/reliefReadings'
import { halfBand } from '#core/quantity/uncertain'
import { requireValue, recorded } from '#core/engine/values'
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
const reading = computed(() => recorded(build.sheet!, `${valve}.benchPressure`))
const log = computed(() => benchLog(build.sheet!, valve))
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
  const gone = (['benchPressure', 'benchShims', 'benchInstalled'] as const)
    .filter((field) => recorded(build.sheet!, `${valve}.${field}`))
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
    <BenchLog :valve="valve" />
  </div>
</template>
