<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/relief'
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
  { value: 'air', words: t('reliefBench.airOnAFixture') },
  { value: 'dead-head', words: t('reliefBench.deadHeadByDrill') },
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
    t('reliefBench.benchTest'),
    t('reliefBench.intoTheLog'),
  )
  note.value = ''
}
const rate = computed(() => springRateOf(build.sheet!, valve))
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('reliefBench.theTest') }}</h2>
      <div class="row wide">
        <span class="what">{{ t('reliefBench.by') }}</span><SegmentChoice
          :label="t('reliefBench.triedBy')"
          :value="method"
          :options="METHODS"
          @choose="build.choose(`${valve}.bench`, $event ?? method, t('reliefBench.benchMethod'))"
        />
      </div>
      <template v-if="method === 'dead-head'">
        <div class="row">
          <span class="what">{{ t('reliefBench.oil') }}</span><ChoiceField
            :label="t('reliefBench.oilOnTheBench')"
            :value="oil"
            :options="OIL_GRADES.map(({ name }) => ({ value: name, words: name }))"
            @choose="build.choose(`${valve}.benchOil`, $event, t('reliefBench.oilOnTheBench'))"
          />
        </div>
        <ReadingRow :name="`${valve}.benchTemperature`" /><ReadingRow :name="`${valve}.benchSpeed`" />
      </template>
      <div class="row">
        <label class="what" :for="`${valve}-note`">{{ t('reliefBench.beforeOrAfterWhichChange') }}</label><InputText
          :id="`${valve}-note`"
          v-model="note"
          maxlength="200"
          :placeholder="t('reliefBench.beforeAfterThe15Mm')"
        />
      </div>
      <ReadingRow :name="`${valve}.benchPressure`" />
      <CautionNote :name="method === 'air' ? 'bench-air' : 'bench-drill'">{{
        method === 'air' ? t('reliefBench.airBehindAPlungerThrowsIt') : t('reliefBench.rotatingDrillHotOilUnder')
      }}</CautionNote>
    </section>
    <section v-if="bench">
      <h2>{{ t('reliefBench.says') }}</h2>
      <div class="row">
        <span class="what"
          >{{ t('reliefBench.modelBeforeIt')
          }}<span class="origin">{{
            method === 'air' ? t('reliefBench.whereBubblesStart') : t('reliefBench.allThePumpGivesPastThe')
          }}</span></span
        ><span class="figure" data-testid="bench-expected"
          >{{ units.show(bench.expected, 'pressure', units.fine)
          }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >{{ t('reliefBench.springRate')
          }}<span class="origin">{{
            t('reliefBench.before', { rate: units.show(rate.value, 'springRate') })
          }}</span></span
        ><span class="figure" data-testid="bench-rate"
          >{{ units.show(bench.springRate.value, 'springRate')
          }}<span class="unit">± {{ units.say(halfBand(bench.springRate), 'springRate') }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >{{ t('reliefBench.freeLength')
          }}<span class="origin">{{
            t('reliefBench.before2', {
              requireValue: units.show(requireValue(build.sheet!, `${valve}.freeLength`).value, 'length'),
            })
          }}</span></span
        ><span class="figure"
          >{{ units.show(bench.freeLength.value, 'length')
          }}<span class="unit">± {{ units.say(halfBand(bench.freeLength), 'length') }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >{{ t('reliefBench.opensOnTheBench')
          }}<span class="origin">{{
            t('reliefBench.withOfShims', { shims: units.say(bench.shims, 'length') })
          }}</span></span
        ><span class="figure" data-testid="bench-opening"
          >{{ units.show(bench.opening.value, 'pressure', units.fine)
          }}<span class="unit">± {{ p(halfBand(bench.opening)) }}</span></span
        >
      </div>
      <template v-if="summary">
        <div class="row">
          <span class="what"
            >{{ t('reliefBench.inTheEngineOpens')
            }}<span class="origin">{{ t('reliefBench.shimsAsTheyAreNow') }}</span></span
          ><span class="figure"
            >{{ units.show(summary.opens, 'pressure', units.fine)
            }}<span class="unit">± {{ p(halfBand({ sigma: summary.opensSigma })) }}</span></span
          >
        </div>
        <div v-if="summary.fullFlowCold" class="row">
          <span class="what"
            >{{ t('reliefBench.inTheEngineColdFullFlow')
            }}<span class="origin">{{ t('reliefBench.atWorkingSpeed') }}</span></span
          ><span class="figure"
            >{{ units.show(summary.fullFlowCold, 'pressure', units.fine)
            }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
          >
        </div>
      </template>
      <JudgementLine :verdict="bench.surprise > 3 ? 'watch' : 'pass'" data-testid="bench-verdict"
        ><template v-if="bench.surprise > 3"
          ><b>{{
            t('reliefBench.theBenchReadsWhatItsParts', {
              reading: p(Math.abs(bench.reading - bench.expected)),
              reading2: named(bench.reading > bench.expected ? 'over' : 'under'),
            })
          }}</b>
          {{ t('reliefBench.measurePlungerAndSpringAgain') }}</template
        ><template v-else
          ><b>{{ t('reliefBench.readExpected', { reading: p(bench.reading), expected: p(bench.expected) }) }}</b>
          {{ t('reliefBench.rateAndFreeLengthAreCorrected') }}</template
        ></JudgementLine
      >
    </section>
    <section v-else>
      <h2>{{ t('reliefBench.says') }}</h2>
      <p class="quiet">
        {{
          t('reliefBench.theReadingCorrectsTheSpringAnd', {
            method:
              method === 'air'
                ? t('reliefBench.writeThePressureAtWhichAir')
                : t('reliefBench.writeWhatTheGaugeSettlesAt'),
          })
        }}
      </p>
    </section>
    <BenchLog :valve="valve" />
  </div>
</template>
