<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import type { PrimeTimeline } from '#core/prime/timeline'
import type { Cure } from '#core/prime/cures'
import { STALL_WORDS } from '#core/prime/cures'
import { band, seconds } from '~/words/primeTimes'
import { stationPath } from '~/composables/stations'

/** What the model says of a prime: when oil is where, how much it takes; or why it stalls, and what cures it. */
const { timeline, cures } = defineProps<{ timeline: PrimeTimeline; cures: readonly Cure[] }>()
const build = useBuild()
const units = useUnits()
const setUp = usePrimeSetUp()
const choose = (key: string, value: string | undefined, label: string) => build.choose(`prime.${key}`, value, label)
const run = computed(() => timeline.run)
/** Outlets by kind, each with when the first and the last of them have oil. */
const outlets = computed(() => {
  const groups = new Map<string, number[]>()
  for (const { label, time } of run.value.outlets) {
    const word = label.replace(/ \d+$/, '')
    groups.set(word, [...(groups.get(word) ?? []), time ?? Infinity])
  }
  const PLURAL: Record<string, string> = {
    Main: t('primeForecast.mains'),
    Rod: t('primeForecast.rods'),
    'Cam bearing': t('primeForecast.camBearings'),
  }
  return [...groups].map(([word, times]) => ({
    word: times.length > 1 ? (PLURAL[word] ?? named(word)) : named(word),
    first: Math.min(...times),
    last: Math.max(...times),
  }))
})
function take(cure: Cure) {
  if (cure.key === 'filter-off') void choose('filter', 'off', t('primeForecast.filterAtPriming'))
  else if (cure.key === 'tank') void choose('method', 'tank', t('primeForecast.primingMethod'))
  else if (cure.key === 'pump-port') void choose('port', 'pump', t('primeForecast.primingPort'))
  else if (cure.key === 'pad-port') void choose('port', 'pad', t('primeForecast.primingPort'))
  else if (cure.key === 'faster')
    void build.record(
      'prime.drillSpeed',
      { value: cure.setUp.drillSpeed, source: 'measured' },
      t('primeForecast.drillSpeedAtThePump'),
    )
  else if (cure.key === 'more-oil')
    void build.record(
      'prime.tankVolume',
      { value: cure.setUp.tankVolume, source: 'measured' },
      t('primeForecast.oilInTheTank'),
    )
  else void navigateTo(`${stationPath(build.id!, 'pump')}?view=close`)
}
</script>

<template>
  <div>
    <p v-if="run.rested > 0" class="quiet" data-testid="rested">
      {{ t('primeForecast.secondsOfTurningOfRestsBetween', { seconds: seconds(run.rested) }) }}
    </p>
    <div class="predicted" data-testid="prime-model">
      <template v-if="run.primed">
        <div v-if="setUp.filter === 'off' && setUp.method !== 'tank'" class="row">
          <span class="what">{{ t('primeForecast.oilAtThePad') }}</span><span class="figure" data-testid="time-pad"
            >{{ seconds(timeline.pad?.best) }}<span class="unit">{{ band(timeline.pad) }}</span></span
          >
        </div>
        <div class="row">
          <span class="what">{{ t('primeForecast.oilAtTheGauge') }}</span><span class="figure" data-testid="time-gauge"
            >{{ seconds(timeline.gauge?.best) }}<span class="unit">{{ band(timeline.gauge) }}</span></span
          >
        </div>
        <div class="row">
          <span class="what">{{ t('primeForecast.pressureStands') }}</span><span
            class="figure"
            data-testid="time-pressure"
            >{{ seconds(timeline.pressure?.best) }}<span class="unit">{{ band(timeline.pressure) }}</span></span
          >
        </div>
        <div class="row">
          <span class="what"
            >{{ t('primeForecast.oilThatItTakes')
            }}<span v-if="run.spilled > 1e-5" class="origin">{{
              t('primeForecast.ofItAtTheOpenPad', { spilled: units.say(run.spilled, 'volume') })
            }}</span></span
          ><span class="figure"
            >{{ units.say(timeline.oil.best, 'volume')
            }}<span class="unit">{{
              t('primeForecast.to', {
                low: units.show(timeline.oil.low, 'volume'),
                high: units.say(timeline.oil.high, 'volume'),
              })
            }}</span></span
          >
        </div>
        <p class="outlets" data-testid="outlets">
          <span class="quiet">{{ t('primeForecast.about') }}</span><span v-for="each in outlets" :key="each.word"
            ><b>{{ each.word }}</b
            >{{ ' '
            }}<span class="mono">{{
              each.last === Infinity
                ? t('primeForecast.notAll')
                : each.last - each.first < 0.6
                  ? seconds(each.last)
                  : t('primeForecast.to2', { first: Math.round(each.first), seconds: seconds(each.last) })
            }}</span></span
          >
        </p>
      </template>
      <template v-else>
        <JudgementLine verdict="stop"
          ><b>{{ t('primeForecast.itWillNotPrimeLikeThis') }}</b> {{ STALL_WORDS[run.reason!] }}.</JudgementLine
        >
        <div v-for="cure in cures" :key="cure.key" class="row" :data-cure="cure.key">
          <span class="what"
            >{{ named(cure.words).charAt(0).toUpperCase() + named(cure.words).slice(1)
            }}<span class="origin">{{
              t('primeForecast.pressureAfterAbout', { seconds: seconds(cure.time) })
            }}</span></span
          ><Button type="button" variant="outlined" @click="take(cure)">{{
            cure.key === 'pack' ? t('primeForecast.goThere') : t('primeForecast.doThat')
          }}</Button>
        </div>
      </template>
      <p v-if="run.primed && timeline.chance < 0.95" class="quiet">
        {{ t('primeForecast.withWhatIsUncertainItPrimes', { chance: Math.round(100 * timeline.chance) }) }}
      </p>
    </div>
  </div>
</template>

<style scoped>
/* Oil at every outlet, on one line or two. */
.outlets {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 20px;
  padding: 8px 0;
}
.outlets b {
  font-weight: 600;
  color: var(--quiet);
}
.figure .unit {
  display: inline-block;
  min-width: 108px;
  text-align: right;
}
</style>
