<script setup lang="ts">
import { t } from '~/words/of/relief'
import { springRateOf } from '#core/parts/reliefSpring'
import { halfBand } from '#core/quantity/uncertain'
import type { ValveField, ValveName } from '#core/parts/reliefReadings'
import { checksOf } from '#core/engine/catalogue'
import { recordedOrDefault } from '#core/engine/values'
import type { ReliefSummary } from '#core/outlook/relief'
import { rateFromWire } from '#core/relief/spring'

/** Spring and plunger as measured: the rate typed, from two heights or from the wire; and what the valve then does. */
const { valve, summary } = defineProps<{ valve: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const units = useUnits()
const pressure = (value: number | undefined) =>
  value === undefined ? t('reliefSpring.notWithinThePort') : units.show(value, 'pressure', units.fine)
const rate = computed(() => springRateOf(build.sheet!, valve))
const WAYS = [
  { value: 'typed', words: t('reliefSpring.tester') },
  { value: 'heights', words: t('reliefSpring.twoHeights') },
  { value: 'wire', words: t('reliefSpring.wire') },
  { value: 'said', words: t('reliefSpring.sellersWord') },
] as const
type Way = (typeof WAYS)[number]['value']
const has = (field: string) => `${valve}.${field}` in build.sheet!.readings
const own = ref<Way>()
const way = computed<Way>(
  () =>
    own.value ??
    (has('springRate')
      ? 'typed'
      : has('height1') || has('load1')
        ? 'heights'
        : has('wire') && has('coils')
          ? 'wire'
          : has('saidStiffer')
            ? 'said'
            : 'typed'),
)
watch(
  () => valve,
  () => (own.value = undefined),
)
const of = (field: ValveField) => recordedOrDefault(build.sheet!, `${valve}.${field}`)?.value
/** What the wire says beside a rate that was measured: a wire of another make shows. */
const wireRate = computed(() => {
  const [wire, coil, coils] = (['wire', 'coilDiameter', 'coils'] as const).map(of)
  return wire && coil && coils ? rateFromWire(wire, coil, coils) : undefined
})
const backwards = computed(() => {
  const [h1, f1, h2, f2] = (['height1', 'load1', 'height2', 'load2'] as const).map(of)
  return h1 !== undefined && f1 !== undefined && h2 !== undefined && f2 !== undefined && (f2 - f1) / (h1 - h2) <= 0
})
const falls = computed(() => checksOf(build.sheet!.layout).find(({ key }) => key === `${valve}.falls`)!)
const STATES = [
  ['idleHot', t('reliefSpring.liftAtIdleHot')],
  ['workingHot', t('reliefSpring.liftAtWorkingSpeedHot')],
  ['idleCold', t('reliefSpring.liftAtIdleCold')],
] as const
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('reliefSpring.springAndPlunger') }}</h2>
      <ReadingRow :name="`${valve}.plungerDiameter`" />
      <div class="row wide">
        <span class="what">{{ t('reliefSpring.rateMeasured') }}</span><SegmentChoice
          :label="t('reliefSpring.rateMeasured')"
          :value="way"
          :options="WAYS"
          @choose="own = $event ?? way"
        />
      </div>
      <ReadingRow v-if="way === 'typed'" :name="`${valve}.springRate`" />
      <template v-else-if="way === 'heights'"
        ><ReadingRow v-for="field in ['height1', 'load1', 'height2', 'load2']" :key="field" :name="`${valve}.${field}`"
      /></template>
      <template v-else-if="way === 'said'"
        ><ReadingRow v-for="field in ['saidStiffer', 'rateBefore']" :key="field" :name="`${valve}.${field}`" />
        <p class="quiet">{{ t('reliefSpring.aSellersWordIsAssumedAnd') }}</p></template
      >
      <template v-else
        ><ReadingRow v-for="field in ['wire', 'coilDiameter', 'coils']" :key="field" :name="`${valve}.${field}`"
      /></template>
      <div v-if="way !== 'typed'" class="row">
        <span class="what"
          >{{ t('reliefSpring.rate')
          }}<span class="origin">{{
            rate.source === 'computed'
              ? 'computed'
              : has('springRate')
                ? t('reliefSpring.theTestersReadingStandsAboveIt')
                : has('saidStiffer')
                  ? t('reliefSpring.assumedByItsSellersWordGive', { halfBand: units.say(halfBand(rate), 'springRate') })
                  : t('reliefSpring.assumedFromTheLayout')
          }}</span></span
        ><span class="figure" data-testid="rate"
          >{{ units.show(rate.value, 'springRate')
          }}<span class="unit">{{ units.unit('springRate').symbol }}</span></span
        >
      </div>
      <p v-if="backwards" class="wrong" role="alert">
        {{ t('reliefSpring.theShorterHeightMustCarryThe') }}
      </p>
      <p v-if="way === 'typed' && wireRate && Math.abs(wireRate / rate.value - 1) > 0.1" class="wrong">
        {{ t('reliefSpring.theWireSaysCountTheCoils', { wireRate: units.say(wireRate, 'springRate') }) }}
      </p>
      <ReadingRow
        v-for="field in [
          'freeLength',
          'installedLength',
          'shims',
          'solidLength',
          'portDiameter',
          'overlap',
          'returnBore',
          'returnLength',
        ]"
        :key="`${valve}.${field}`"
        :name="`${valve}.${field}`"
      />
    </section>
    <section v-if="summary">
      <h2>{{ t('reliefSpring.gives') }}</h2>
      <div class="row">
        <span class="what"
          >{{ t('reliefSpring.opensAt')
          }}<span class="origin">{{
            t('reliefSpring.plungerLeavesItsSeat', {
              halfBand: units.say(halfBand({ sigma: summary.opensSigma }), 'pressure', units.fine),
            })
          }}</span></span
        ><span class="figure" data-testid="opens"
          >{{ pressure(summary.opens) }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div v-if="summary.flows > summary.opens + 1" class="row">
        <span class="what"
          >{{ t('reliefSpring.flowStartsAt') }}<span class="origin">{{ t('reliefSpring.overlapPassed') }}</span></span
        ><span class="figure"
          >{{ pressure(summary.flows) }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div class="row">
        <span class="what"
          >{{ t('reliefSpring.fullFlowCold')
          }}<span class="origin">{{ t('reliefSpring.allThePumpGivesAtWorking') }}</span></span
        ><span class="figure"
          >{{ pressure(summary.fullFlowCold)
          }}<span v-if="summary.fullFlowCold" class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div class="row">
        <span class="what">{{
          t('reliefSpring.eachOfShimAdds', {
            thickness: units.say(1e-4, 'clearance', units.unit('clearance').symbol === 'mm' ? 1 : undefined),
          })
        }}</span><span class="figure"
          >{{ pressure(summary.perTenth) }}<span class="unit">{{ units.unit('pressure').symbol }}</span></span
        >
      </div>
      <div class="row">
        <span class="what">{{ t('reliefSpring.leftBeforeBind') }}</span><span class="figure" data-testid="bind"
          >{{ summary.bindMargin === undefined ? '·' : units.show(summary.bindMargin, 'length')
          }}<span class="unit">{{ units.unit('length').symbol }}</span></span
        >
      </div>
      <div v-for="[state, words] in STATES" :key="state" class="row">
        <span class="what">{{ words }}</span><span class="figure"
          >{{ units.show(summary.lift[state], 'length')
          }}<span class="unit">{{ units.unit('length').symbol }}</span></span
        >
      </div>
      <CheckRow :item="falls" />
    </section>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--watch);
  padding: 8px 0;
}
</style>
