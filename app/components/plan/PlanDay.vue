<script setup lang="ts">
import { t } from '~/words/of/plan'
import { PAGES, stationPath } from '~/composables/stations'
import { stretch } from '~/composables/words'
import { DAYS } from '~/stores/plan'
import { wallClock, wallDay } from '~/words/dates'
import { isTimed } from '#core/house/plan'
import { comesOn, DAY, dayOf } from '#core/plan/present'
import { MINUTE, type Turn } from '#core/plan/types'

/** One day: who is here, what each does when, and what is waited for by the clock. */
const emit = defineEmits<{ hours: [] }>()
const plan = usePlan()
const chosen = ref<number>()
/** The first day on which somebody is still here, until another is chosen. */
const ahead = computed(() => {
  if (chosen.value !== undefined) return chosen.value
  const { now = 0, hands: all = [] } = plan.planned ?? {}
  const first = Math.min(...all.flatMap(({ present }) => present).flatMap(({ from, to }) => (to > now ? [from] : [])))
  return Number.isFinite(first) ? Math.max(0, Math.floor(first / DAY) - Math.floor(now / DAY)) : 0
})
const midnight = computed(() => Math.floor((plan.planned?.now ?? 0) / DAY) * DAY + ahead.value * DAY)
const day = computed(() => dayOf(midnight.value))
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
const nameOf = (build: string) => plan.planned?.engines.find((each) => each.build === build)?.name ?? ''
const isToday = (at: number) => at >= midnight.value && at < midnight.value + DAY
/** In their order; what follows at once on the same engine at the same station is one. */
const joined = (turns: readonly Turn[]) =>
  [...turns]
    .sort((a, b) => a.from - b.from)
    .reduce<Turn[]>((found, turn) => {
      const last = found.at(-1)
      if (last && last.to === turn.from && last.build === turn.build && last.station === turn.station)
        found[found.length - 1] = { ...last, to: turn.to }
      else found.push(turn)
      return found
    }, [])
const hands = computed(() =>
  (plan.planned?.hands ?? []).map(({ name, present }) => {
    const hours = plan.kept.hands[name]
    return {
      name,
      here: hours ? comesOn(hours, day.value) : false,
      present: present
        .filter(({ from }) => isToday(from))
        .map(({ from, to }) => `${wallClock(from)}–${wallClock(to)}`)
        .join(', '),
      turns: joined((plan.planned?.turns ?? []).filter(({ hand, from }) => hand === name && isToday(from))),
    }
  }),
)
/** Somebody comes on a day that is not theirs, or does not on one that is. */
function flip(name: string, here: boolean) {
  void plan.change(({ hands: all }) => {
    const hours = all[name]
    if (!hours) return
    const without = (days: string[]) => days.filter((each) => each !== day.value)
    const usual = comesOn({ ...hours, away: without(hours.away), extra: without(hours.extra) }, day.value)
    hours.away = [...without(hours.away), ...(usual && !here ? [day.value] : [])]
    hours.extra = [...without(hours.extra), ...(!usual && here ? [day.value] : [])]
  })
}
const running = computed(() =>
  Object.entries(plan.kept.engines).flatMap(([build, { waits }]) =>
    Object.entries(waits).flatMap(([id, wait]) => (isTimed(wait) ? [{ id, build, name: nameOf(build), wait }] : [])),
  ),
)
</script>

<template>
  <div v-if="plan.planned">
    <div class="which">
      <Button
        type="button"
        variant="outlined"
        :aria-label="t('day.before')"
        :disabled="ahead === 0"
        @click="chosen = ahead - 1"
        >‹</Button
      >
      <h2 aria-live="polite">{{ wallDay(midnight) }}</h2>
      <Button
        type="button"
        variant="outlined"
        :aria-label="t('day.after')"
        :disabled="ahead >= DAYS - 1"
        @click="chosen = ahead + 1"
        >›</Button
      >
    </div>
    <p v-if="hands.length === 0" class="none">
      {{ t('day.nobody') }} <Button type="button" @click="emit('hours')">{{ t('day.writeHours') }}</Button>
    </p>
    <section v-for="each in hands" :key="each.name" class="hand" :aria-label="t('day.work', { name: each.name })">
      <header>
        <strong>{{ each.name }}</strong><span class="quiet">{{
          each.here ? t('day.hereHours', { hours: each.present }) : t('day.notHere')
        }}</span
        ><Button type="button" variant="text" @click="flip(each.name, !each.here)">{{
          each.here ? t('day.makeAway') : t('day.makeHere')
        }}</Button>
      </header>
      <ol v-if="each.turns.length > 0">
        <li v-for="turn in each.turns" :key="turn.from" :data-turn="nameOf(turn.build)">
          <span class="time">{{ wallClock(turn.from) }}–{{ wallClock(turn.to) }}</span
          ><NuxtLink :to="stationPath(turn.build, turn.station)"
            >{{ nameOf(turn.build) }}, {{ titleOf(turn.station) }}</NuxtLink
          ><span class="quiet minutes">{{
            t('plan.minutes', { minutes: Math.round((turn.to - turn.from) / MINUTE) })
          }}</span>
        </li>
      </ol>
      <p v-else-if="each.here" class="quiet">{{ t('day.nothing') }}</p>
    </section>
    <section v-if="running.length > 0" class="hand" :aria-label="t('day.waits')">
      <header>
        <strong>{{ t('day.waits') }}</strong>
      </header>
      <ol>
        <li v-for="each in running" :key="each.id">
          <WaitLeft class="time" :wait="each.wait" /><NuxtLink :to="stationPath(each.build, each.wait.before)"
            >{{ each.name }}, {{ each.wait.what }}</NuxtLink
          ><span class="quiet minutes">{{ stretch(each.wait.takes) }}</span>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.which {
  display: flex;
  align-items: center;
  gap: 12px;
}
.which h2 {
  margin: 0;
  min-width: 7.5em;
  text-align: center;
}
.which .p-button {
  font-size: 24px;
  line-height: 1;
  min-width: 44px;
  min-height: 44px;
}
.hand {
  border-top: 1px solid var(--rule);
  margin-top: 14px;
  padding-top: 8px;
}
.hand header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 16px;
}
.hand strong {
  font-size: 19px;
  font-stretch: 90%;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 9.5em auto minmax(0, 1fr);
  gap: 4px 16px;
  align-items: center;
  min-height: 44px;
  font-size: 18px;
}
li a {
  display: inline-block;
  line-height: 44px;
}
.time {
  font-family: var(--mono);
  font-size: 17px;
}
.minutes {
  font-size: 15px;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  li .time {
    grid-column: 1 / -1;
    line-height: 1;
    padding-top: 8px;
  }
}
</style>
