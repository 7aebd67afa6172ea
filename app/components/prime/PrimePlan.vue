<script setup lang="ts">
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
const TITLES: Record<Method, string> = { drill: 'Drill', tank: 'Tank', starter: 'Starter', hand: 'By hand' }
const FILTERS: Record<FilterFitment, string> = { off: 'off until oil runs', dry: 'fitted dry', filled: 'fitted full' }
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
  { value: 'gauge', words: 'gauge' },
  { value: 'pump', words: 'pump' },
  ...(setUp.value.method === 'hand' && build.sheet!.layout.filter
    ? [{ value: 'pad' as const, words: 'filter pad' }]
    : []),
])
const PACKINGS: Record<string, string> = {
  'assembly-lubricant': 'assembly lubricant',
  jelly: 'petroleum jelly',
  oil: 'oil only',
  dry: 'nothing: it may not draw',
}
const packing = computed(() => PACKINGS[build.sheet!.choices['pump.packing'] ?? ''])
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>Method</h2>
        <SegmentChoice
          label="Method"
          :value="setUp.method"
          :options="METHODS.map((value) => ({ value, words: TITLES[value] }))"
          @choose="choose('method', $event ?? usual, 'Priming method')"
        />
        <p class="quiet suits">{{ guide.suits }}</p>
        <ReadingRow v-for="name in FIELDS[setUp.method]" :key="name" :name="name" />
        <ReadingRow name="prime.oilTemperature" />
        <div v-if="setUp.method === 'drill'" class="row">
          <span class="what">Drill turns<span class="origin">seen from above the drive, as it was checked</span></span
          ><SegmentChoice
            label="Drill turns"
            :value="build.sheet!.choices['prime.direction']"
            :options="[
              { value: 'clockwise', words: 'clockwise' },
              { value: 'anticlockwise', words: 'anticlockwise' },
            ]"
            @choose="choose('direction', $event, 'Direction of the drill')"
          />
        </div>
        <div v-if="setUp.method === 'tank' || setUp.method === 'hand'" class="row">
          <span class="what">Port</span
          ><SegmentChoice
            label="Port"
            :value="setUp.port"
            :options="ports"
            @choose="choose('port', $event ?? 'gauge', 'Priming port')"
          />
        </div>
        <CautionNote :name="guide.caution.name">{{ guide.caution.words }}</CautionNote>
        <h2 class="next">Make ready</h2>
        <p class="quiet">{{ guide.kit.join(', ') }}.</p>
        <CheckRow v-for="item in steps" :key="item.key" :item="item" :faults="false" />
        <p v-if="packing" class="quiet">Packed with {{ packing }}.</p>
        <p v-else class="assumed-line">
          How the pump was packed is not recorded: taken as dry.
          <NuxtLink :to="`${stationPath(build.id!, 'pump')}?view=close`">Say how</NuxtLink>
        </p>
      </section>
      <section>
        <h2>By the model</h2>
        <PrimeForecast v-if="timeline" :timeline="timeline" :cures="ways?.cures ?? []" />
        <p v-else class="quiet">Filling the circuit by the model</p>

        <p v-if="expected && expected.widestHidden > 1.3" class="quiet" data-testid="hidden">
          This prime cannot tell bearings up to {{ expected.widestHidden.toFixed(1) }} times as wide as recorded: cold
          oil behind an open relief valve holds the gauge up.{{
            setUp.method === 'drill' ? ' A slower drill tells more.' : ''
          }}
        </p>
        <template v-if="build.sheet!.layout.filter && setUp.method !== 'tank'">
          <h2 class="next">Filter</h2>
          <div
            v-for="each in ways?.runs ?? []"
            :key="each.setUp.filter"
            class="row filter"
            :data-filter="each.setUp.filter"
            :data-primed="each.primed"
          >
            <span class="what"
              ><b>{{ FILTERS[each.setUp.filter] }}</b
              ><span v-if="ways!.safe === each.setUp.filter" class="safe">recommended</span
              ><span class="origin">{{
                each.primed ? `pressure after about ${seconds(each.timeToPressure)}` : STALL_WORDS[each.reason!]
              }}</span></span
            >
            <SegmentChoice
              :label="`Filter ${FILTERS[each.setUp.filter]}`"
              :value="setUp.filter === each.setUp.filter ? 'take' : undefined"
              :options="[{ value: 'take', words: setUp.filter === each.setUp.filter ? 'taken' : 'take' }]"
              @choose="choose('filter', each.setUp.filter, 'Filter at priming')"
            />
          </div>
          <p class="quiet">
            Recommended is the quickest that also primes a pump whose packing is gone. A full filter before an air gap
            asks a pump on air for pressure that it may not have.
          </p>
        </template>
        <h2 class="next">Step by step</h2>
        <ol class="steps">
          <li v-for="step in guide.steps" :key="step">{{ step }}</li>
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
