<script setup lang="ts">
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/prime'
import { checksOf } from '#core/engine/catalogue'
import { type FilterFitment, METHODS, type Method } from '#core/parts/primingWords'
import { forMethod } from '#core/progress/progress'
import { guideOf } from '#core/prime/steps'
import { STALL_WORDS } from '#core/prime/cures'
import { usualMethod } from '#core/prime/setUp'
import type { Port } from '#core/parts/primingWords'
import { stationPath } from '~/composables/stations'
import { seconds } from '~/words/primeTimes'

/** How this engine is primed: the method with its steps, the filter's three ways side by side, and what the model says of it. */
const build = useBuild()
const setUp = usePrimeSetUp()
const guide = computed(() => guideOf(build.sheet!, setUp.value))
const settled = useSettled(() => JSON.stringify(setUp.value), 200)
const shown = useOnceShown()
const { value: timeline } = useAnswer(
  (_model, slow) => (build.sheet && shown.value ? slow().timeline(build.sheet, { ...setUp.value }) : undefined),
  () => [shown.value, build.sheet?.readings, build.sheet?.layout, settled.value],
)
const { value: expected } = useAnswer(
  (model) => (build.sheet && shown.value ? model.prime(build.sheet, { ...setUp.value }) : undefined),
  () => [shown.value, build.sheet?.readings, build.sheet?.layout, settled.value],
)
const { value: ways } = useAnswer(
  (_model, slow) => (build.sheet && shown.value ? slow().primeSetUps(build.sheet, { ...setUp.value }) : undefined),
  () => [shown.value, build.sheet?.layout, settled.value],
)
const TITLES: Record<Method, string> = {
  drill: t('primePlan.drill'),
  tank: t('primePlan.tank'),
  starter: t('primePlan.starter'),
  hand: t('primePlan.byHand'),
}
const FILTERS: Record<FilterFitment, string> = {
  off: t('primePlan.offUntilOilRuns'),
  dry: t('primePlan.fittedDry'),
  filled: t('primePlan.fittedFull'),
}
const FIELDS: Record<Method, string[]> = {
  drill: ['prime.drillSpeed'],
  tank: ['prime.tankPressure', 'prime.tankVolume'],
  starter: ['brief.crankingSpeed', 'prime.burst', 'prime.rest'],
  hand: ['prime.poured', 'brief.crankingSpeed', 'prime.burst', 'prime.rest'],
}
const usual = computed(() => usualMethod(build.sheet!.layout))
const choose = (key: string, value: string | undefined, label: string) => build.choose(`prime.${key}`, value, label)
const steps = computed(() =>
  checksOf(build.sheet!.layout).filter(
    (check) => check.station === 'prime' && check.group === 'step' && forMethod(build.sheet!, check),
  ),
)
/** A tank's hose has no fitting at a pad; a tube has. */
const ports = computed((): { value: Port; words: string }[] => [
  { value: 'gauge', words: t('primePlan.gauge') },
  { value: 'pump', words: t('primePlan.pump') },
  ...(setUp.value.method === 'hand' && build.sheet!.layout.filter
    ? [{ value: 'pad' as const, words: t('primePlan.filterPad') }]
    : []),
])
const PACKINGS: Record<string, string> = {
  'assembly-lubricant': t('primePlan.assemblyLubricant'),
  jelly: t('primePlan.petroleumJelly'),
  oil: t('primePlan.oilOnly'),
  dry: t('primePlan.nothingItMayNotDraw'),
}
const packing = computed(() => PACKINGS[build.sheet!.choices['pump.packing'] ?? ''])
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>{{ t('primePlan.method') }}</h2>
        <SegmentChoice
          :label="t('primePlan.method')"
          :value="setUp.method"
          :options="METHODS.map((value) => ({ value, words: TITLES[value] }))"
          @choose="choose('method', $event ?? usual, t('primePlan.primingMethod'))"
        />
        <p class="quiet suits">{{ named(guide.suits) }}</p>
        <ReadingRow v-for="name in FIELDS[setUp.method]" :key="name" :name="name" />
        <ReadingRow name="prime.oilTemperature" />
        <SegmentRow
          v-if="setUp.method === 'drill'"
          :label="t('primePlan.drillTurns')"
          :origin="t('primePlan.seenFromAboveTheDriveAs')"
          :value="build.sheet!.choices['prime.direction']"
          :options="[
            { value: 'clockwise', words: t('primePlan.clockwise') },
            { value: 'anticlockwise', words: t('primePlan.anticlockwise') },
          ]"
          @choose="choose('direction', $event, t('primePlan.directionOfTheDrill'))"
        />
        <SegmentRow
          v-if="setUp.method === 'tank' || setUp.method === 'hand'"
          :label="t('primePlan.port')"
          :value="setUp.port"
          :options="ports"
          @choose="choose('port', $event ?? 'gauge', t('primePlan.primingPort'))"
        />
        <CautionNote :name="guide.caution.name">{{ named(guide.caution.words) }}</CautionNote>
        <h2 class="next">{{ t('primePlan.makeReady') }}</h2>
        <p class="quiet">{{ guide.kit.map(named).join(', ') }}.</p>
        <CheckRow v-for="item in steps" :key="item.key" :item="item" :faults="false" />
        <p v-if="packing" class="quiet">{{ t('primePlan.packedWith', { packing }) }}</p>
        <p v-else class="assumed-line">
          {{ t('primePlan.howThePumpWasPackedIs') }}
          <NuxtLink :to="`${stationPath(build.id!, 'pump')}?view=close`">{{ t('primePlan.sayHow') }}</NuxtLink>
        </p>
      </section>
      <section>
        <h2>{{ t('primePlan.byTheModel') }}</h2>
        <PrimeForecast v-if="timeline" :timeline="timeline" :cures="ways?.cures ?? []" />
        <p v-else class="quiet">{{ t('primePlan.fillingTheCircuitByTheModel') }}</p>

        <p v-if="expected && expected.widestHidden > 1.3" class="quiet" data-testid="hidden">
          {{
            t('primePlan.thisPrimeCannotTellBearingsUp', {
              widestHidden: figure(expected.widestHidden, 1),
              method: setUp.method === 'drill' ? ` ${t('primePlan.aSlowerDrillTellsMore')}` : '',
            })
          }}
        </p>
        <template v-if="build.sheet!.layout.filter && setUp.method !== 'tank'">
          <h2 class="next">{{ t('primePlan.filter') }}</h2>
          <div
            v-for="each in ways?.runs ?? []"
            :key="each.setUp.filter"
            class="row filter"
            :data-filter="each.setUp.filter"
            :data-primed="each.primed"
          >
            <span class="what"
              ><b>{{ FILTERS[each.setUp.filter] }}</b
              ><span v-if="ways!.safe === each.setUp.filter" class="safe">{{ t('primePlan.recommended') }}</span
              ><span class="origin">{{
                each.primed
                  ? t('primePlan.pressureAfterAbout', { seconds: seconds(each.timeToPressure) })
                  : STALL_WORDS[each.reason!]
              }}</span></span
            >
            <SegmentChoice
              :label="t('primePlan.filter2', { filters: FILTERS[each.setUp.filter] })"
              :value="setUp.filter === each.setUp.filter ? 'take' : undefined"
              :options="[{ value: 'take', words: named(setUp.filter === each.setUp.filter ? 'taken' : 'take') }]"
              @choose="choose('filter', each.setUp.filter, t('primePlan.filterAtPriming'))"
            />
          </div>
          <p class="quiet">
            {{ t('primePlan.recommendedIsTheQuickestThat') }}
          </p>
        </template>
        <h2 class="next">{{ t('primePlan.stepByStep') }}</h2>
        <ol class="steps">
          <li v-for="step in guide.steps" :key="step">{{ named(step) }}</li>
        </ol>
      </section>
    </div>
  </div>
</template>

<style scoped>
.next {
  margin-top: 22px;
}
.suits {
  padding: 6px 0;
}
.steps {
  margin: 4px 0 0;
  padding-left: 22px;
  display: grid;
  gap: 6px;
}
.filter .origin {
  display: block;
}
.safe {
  color: var(--pass);
  font-weight: 650;
  border: 1px solid var(--pass);
  border-radius: 10px;
  padding: 0 8px;
  margin-left: 6px;
}
.assumed-line {
  color: var(--watch);
}
</style>
