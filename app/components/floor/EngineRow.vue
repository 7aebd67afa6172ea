<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { named } from '~/words/speak'
import { t } from '~/words/of/floor'
import { whole } from '~/words/numbers'
import type { Verdict } from '#core/quantity/verdict'
import type { StationProgress } from '#core/progress/progress'
import { PRESETS } from '#core/record/layouts'
import { PAGES } from '~/composables/stations'
import { stretch } from '~/composables/words'
import type { Listed } from '~/sync/routes'
import { dayOf } from '~/words/dates'

/** One engine of the floor: how far it is, what it waits for, what gauge or model say of it. */
const { build } = defineProps<{ build: Listed }>()
const units = useUnits()

const titleOf = (station: string) => PAGES.find((page) => page.page === station)?.title ?? station
/** The first station that still wants something, or the worst that was found. */
function waitsFor(build: Listed): { words: string; station: string; verdict?: StationProgress['verdict'] } {
  const stop = build.progress.find((each) => each.verdict === 'stop')
  if (build.stopped)
    return {
      words: t('engineRow.stoppedWriteWhatWasFoundAnd', {
        outcome: build.stopped.outcome ? `, ${build.stopped.outcome.replace(/^stopped: /, '')}` : '',
      }),
      station: 'start',
      verdict: 'stop',
    }
  if (build.tracing)
    return { words: t('engineRow.aCaseIsOpen', { day: dayOf(build.tracing) }), station: 'trace', verdict: 'watch' }
  const next = build.progress.find((each) => each.done < each.wanted)
  const ran = build.ranAt !== undefined && build.ranAt === build.primedAt
  if (ran && stop)
    return { words: `${titleOf(stop.station)}: ${named(stop.about)}`, station: stop.station, verdict: 'stop' }
  if (build.primedUntil !== undefined && (!ran || build.primedUntil < Date.now())) {
    const left = build.primedUntil - Date.now()
    if (left <= 0)
      return {
        words: t('engineRow.agoPrimeAgain', {
          ran: ran ? t('engineRow.ran') : t('engineRow.primed'),
          now: stretch(Date.now() - build.primedAt!),
          ran2: ran ? '' : ` ${t('engineRow.andNotStarted')}`,
        }),
        station: 'prime',
        verdict: 'watch',
      }
    if (!stop) return { words: t('engineRow.primedStartItWithin', { left: stretch(left) }), station: 'start' }
  }
  if (stop) return { words: `${titleOf(stop.station)}: ${named(stop.about)}`, station: stop.station, verdict: 'stop' }
  if (!next) return { words: t('engineRow.startedReadingsAreIn'), station: 'start' }
  return {
    words: t('engineRow.toGo2', { titleOf: titleOf(next.station), wanted: next.wanted - next.done }),
    station: next.station,
  }
}
/** What the gauge or the model says that is no pass, in a few words; read beats predicted. */
function says(build: Listed): { verdict: Verdict; words: string } | undefined {
  const { states = [], voids = [], starvesFrom } = build.standing ?? {}
  const read = states.filter(({ reading }) => reading !== undefined)
  const worst =
    [...read, ...states].find(({ verdict }) => verdict === 'stop') ?? read.find(({ verdict }) => verdict === 'watch')
  if (worst)
    return {
      verdict: worst.verdict,
      words:
        worst.reading === undefined
          ? t('engineRow.statePredicted', { state: named(worst.label) })
          : t('engineRow.stateReadReading', {
              state: named(worst.label),
              reading: units.say(worst.reading, 'pressure', units.fine),
            }),
    }
  if (voids.length > 0) return { verdict: 'void', words: voids[0] }
  if (starvesFrom !== undefined)
    return { verdict: 'watch', words: t('engineRow.starvesFrom', { starvesFrom: units.say(starvesFrom, 'speed') }) }
  const first = states.find(({ verdict }) => verdict === 'watch') ?? states.find(({ verdict }) => verdict === 'assumed')
  return (
    first && {
      verdict: first.verdict,
      words:
        first.verdict === 'assumed'
          ? t('engineRow.predictedByLayoutValues')
          : t('engineRow.predicted', { first: named(first.label) }),
    }
  )
}
/** Everything that is still missing, by station. */
const missing = (build: Listed) =>
  build.progress
    .filter((each) => each.done < each.wanted)
    .map((each) => `${titleOf(each.station)} ${each.wanted - each.done}`)
    .join(', ')
const share = (each: StationProgress) => (each.wanted === 0 ? 1 : each.done / each.wanted)

const keptUntil = computed(() => (build.keptUntil ? dayOf(build.keptUntil) : ''))
const waits = computed(() => waitsFor(build))
const word = computed(() => says(build))
const toGo = computed(() => missing(build))
</script>

<template>
  <div v-if="build.place === 'deleted'" class="gone">
    <strong>{{ build.name }}</strong><span class="quiet">{{
      t('engineRow.deletedKeptUntil', {
        engine: build.engine,
        deletedBy: build.deletedBy ? ` ${t('engineRow.by', { deletedBy: build.deletedBy })}` : '',
        keptUntil,
      })
    }}</span>
  </div>
  <NuxtLink v-else :to="`/build/${build.id}/${waits.station}`">
    <span class="names"
      ><strong>{{ build.name }}</strong
      ><span class="quiet"
        >{{ build.engine }}, {{ named(PRESETS[build.layout]?.title) ?? t('engineRow.ownLayout') }}</span
      ><span class="quiet work">{{ build.work }}</span></span
    >
    <span class="progress" aria-hidden="true"
      ><span
        v-for="station in build.progress"
        :key="station.station"
        class="pipe"
        :class="station.verdict"
        :style="{ '--share': `${100 * share(station)}%` }"
        ><i />{{ titleOf(station.station) }}</span
      ></span
    >
    <span class="waits"
      ><VerdictLabel v-if="waits.verdict" :verdict="waits.verdict!" /><span>{{ named(waits.words) }}</span></span
    >
    <span v-if="word || toGo || build.waiting" class="says" data-testid="floor-says"
      ><b v-if="build.waiting" class="to-sign">{{
        t('engineRow.forASignOff', {
          waiting: t('engineRow.changeWaitsChangesWait', { n: whole(build.waiting) }, build.waiting),
        })
      }}</b
      ><template v-if="word"><VerdictLabel :verdict="word!.verdict" /> {{ named(word!.words) }}</template
      ><span
        v-if="toGo"
        class="quiet"
        v-tip="
          build.progress
            .filter((one) => one.missing.length > 0)
            .map((one) => `${titleOf(one.station)}: ${one.missing.map(named).join(', ')}`)
            .join('\n')
        "
        >{{ t('engineRow.toGo', { toGo }) }}</span
      ></span
    >
  </NuxtLink>
</template>

<style scoped>
a {
  display: grid;
  grid-template-columns: minmax(210px, 1fr) minmax(420px, 2fr) minmax(250px, 1.1fr);
  gap: 26px;
  align-items: center;
  padding: 16px 8px;
  color: var(--ink);
  text-decoration: none;
}
a:hover {
  background: var(--petrol-wash);
}
.gone {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: baseline;
  padding: 16px 8px;
}
.names {
  display: grid;
}
.names strong {
  font-size: 19px;
  font-stretch: 90%;
}
.progress {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 3px;
  font-size: 15px;
  font-stretch: 75%;
  color: var(--quiet);
}
.pipe i {
  display: block;
  height: 12px;
  margin-bottom: 4px;
  border: 1px solid var(--field);
  background: linear-gradient(var(--oil) 0 0) left / var(--share) 100% no-repeat;
}
.pipe.stop i {
  border-bottom: 4px solid var(--stop);
  height: 15px;
  margin-bottom: 1px;
}
.pipe.watch i {
  border-bottom: 4px dotted var(--watch);
  height: 15px;
  margin-bottom: 1px;
}
.says {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-top: -14px;
}
.to-sign {
  color: var(--petrol);
}
.waits {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 600;
  justify-content: flex-end;
  text-align: right;
}
@media (max-width: 1099px) {
  a {
    grid-template-columns: 1fr auto;
    gap: 10px 20px;
  }
  .progress {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
@media (max-width: 760px) {
  a {
    grid-template-columns: 1fr;
    gap: 12px;
  }
  .says {
    margin-top: 0;
  }
  .waits {
    justify-content: flex-start;
    text-align: left;
  }
  .progress {
    font-size: 0;
  }
}
</style>
