<script setup lang="ts">
import { waitDraft } from '~/composables/waitDraft'
import { named } from '~/words/speak'
import { t } from '~/words/of/plan'
import { PAGES, stationPath } from '~/composables/stations'
import { stretch } from '~/composables/words'
import { wallMoment } from '~/words/dates'
import { isTimed, type PlannedWait } from '#core/house/plan'
import { wallTime, wallWords } from '#core/plan/present'
import type { Planned } from '#core/plan/shop'
import { MINUTE } from '#core/plan/types'
import type { Verdict } from '#core/quantity/verdict'

/** An engine of the plan: what it needs next, what it waits for, when it is done against what was promised. */
const { engine, first, last } = defineProps<{ engine: Planned; first: boolean; last: boolean }>()
const emit = defineEmits<{ up: []; down: [] }>()
const plan = usePlan()
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
/** Minutes by station: a prime's making ready and the prime itself are one line. */
const left = computed(() => {
  const by = new Map<string, number>()
  for (const { station, takes } of engine.tasks)
    // What only somebody's word is waited for takes no minutes.
    if (takes > 0) by.set(station, (by.get(station) ?? 0) + takes / MINUTE)
  return [...by].map(([station, minutes]) => {
    const whole = { minutes: Math.round(minutes) }
    const seen = plan.given?.pace.seen[station as keyof typeof plan.given.pace.seen] ?? 0
    return { station, words: t(seen > 0 ? 'plan.minutes' : 'plan.minutesAssumed', whole) }
  })
})
const waits = computed(() => Object.entries(plan.kept.engines[engine.build]?.waits ?? {}))
function waitWords(wait: PlannedWait): string {
  if ('after' in wait)
    return t('engines.rests', { what: wait.what, takes: stretch(wait.takes), station: titleOf(wait.after) })
  if (isTimed(wait)) return wait.what
  return wait.until
    ? t('engines.waitsFor', { what: wait.what, until: wallMoment(wallTime(wait.until)) })
    : t('engines.waitsUnknown', { what: wait.what })
}
const done = computed(() => {
  if (engine.held === 'no time') return t('engines.noTimeLeft')
  if (engine.held !== undefined) return t('engines.heldBy', { held: named(engine.held) })
  if (engine.done === undefined) return t('engines.nothingLeft')
  return t('engines.done', { done: wallMoment(engine.done) })
})
/** How it stands by what was promised; nothing where nothing was. */
const stands = computed((): { verdict: Verdict; words: string } | undefined => {
  if (engine.promised === undefined) return undefined
  if (engine.late)
    return {
      verdict: 'stop',
      words: engine.late === Infinity ? t('engines.lateNoTime') : t('engines.lateBy', { late: stretch(engine.late) }),
    }
  if (engine.lateMost) return { verdict: 'watch', words: t('engines.mayBeLate') }
  if (!engine.whole) return { verdict: 'unknown', words: t('engines.cannotBeSaid') }
  return { verdict: 'pass', words: t('engines.inTime') }
})
const promised = computed(() => (engine.promised === undefined ? '' : wallWords(engine.promised)))
function promise(text: string) {
  void plan.promise(engine.build, text === '' ? undefined : text.slice(0, 16))
}
const adding = ref(waitDraft(engine.build) !== undefined)
/** The wait that is being changed; it may be ended meanwhile. */
const changing = ref(waits.value.find(([id]) => waitDraft(engine.build, id))?.[0])
const changed = computed(() => waits.value.find(([id]) => id === changing.value))
</script>

<template>
  <li :data-engine="engine.name">
    <span class="handle" :aria-label="t('engines.drag', { name: engine.name })" role="img"
      ><span aria-hidden="true">≡</span></span
    >
    <div class="work">
      <NuxtLink class="name" :to="stationPath(engine.build, engine.tasks[0]?.station ?? 'outlook')">{{
        engine.name
      }}</NuxtLink>
      <ul class="left">
        <li v-for="each in left" :key="each.station">
          {{ titleOf(each.station) }} <span class="quiet">{{ each.words }}</span>
        </li>
      </ul>
    </div>
    <div class="end">
      <span class="stands"><VerdictLabel v-if="stands" :verdict="stands.verdict" :words="stands.words" /></span>
      <b data-testid="done">{{ done }}</b>
      <span v-if="engine.done !== undefined && engine.whole" class="quiet">{{
        engine.latest === undefined ? t('engines.noLatest') : t('engines.latest', { latest: wallMoment(engine.latest) })
      }}</span>
    </div>
    <label class="promise"
      ><span class="quiet">{{ t('engines.promised') }}</span
      ><DraftInput
        :value="promised"
        type="datetime-local"
        :aria-label="t('engines.promisedOf', { name: engine.name })"
        @write="promise"
    /></label>
    <span class="moves"
      ><Button
        type="button"
        variant="text"
        :aria-label="t('engines.up', { name: engine.name })"
        :disabled="first"
        @click="emit('up')"
        >↑</Button
      ><Button
        type="button"
        variant="text"
        :aria-label="t('engines.down', { name: engine.name })"
        :disabled="last"
        @click="emit('down')"
        >↓</Button
      ></span
    >
    <div class="waits">
      <span v-for="[id, wait] in waits" :key="id" class="wait"
        >{{ waitWords(wait) }}<template v-if="isTimed(wait)">: <WaitLeft :wait="wait" /></template
        ><span v-if="'before' in wait" class="quiet">{{ t('engines.before', { station: titleOf(wait.before) }) }}</span
        ><Button
          type="button"
          variant="text"
          :aria-label="t('engines.changeWaitOf', { what: wait.what, name: engine.name })"
          @click="changing = changing === id ? undefined : id"
          >{{ t('engines.changeWait') }}</Button
        ><Button
          type="button"
          variant="text"
          :aria-label="t('engines.endWaitOf', { what: wait.what, name: engine.name })"
          @click="plan.endWait(engine.build, id)"
          >{{ t('engines.endWait') }}</Button
        ></span
      >
      <Button
        v-if="!adding && !changed"
        type="button"
        variant="text"
        :aria-label="t('engines.addWaitTo', { name: engine.name })"
        @click="adding = true"
        >{{ t('engines.addWait') }}</Button
      >
      <WaitForm v-else-if="adding" :build="engine.build" @close="adding = false" /><WaitForm
        v-else-if="changed"
        :key="changing"
        :build="engine.build"
        :was="{ id: changed[0], wait: changed[1] }"
        @close="changing = undefined"
      />
    </div>
  </li>
</template>

<style scoped>
li[data-engine] {
  display: grid;
  grid-template-columns: 44px minmax(0, 1.5fr) minmax(230px, 1fr) 236px auto;
  gap: 2px 18px;
  align-items: start;
  border-top: 1px solid var(--rule);
  padding: 12px 0 4px;
  background: var(--sheet);
}
.handle {
  font-size: 24px;
  width: 44px;
  min-height: 44px;
  display: grid;
  place-items: center;
  cursor: grab;
  touch-action: none;
  color: var(--quiet);
}
a.name {
  display: inline-block;
  font-size: 19px;
  font-stretch: 90%;
  font-weight: 700;
  line-height: 44px;
}
.left {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  margin: 0;
  padding: 0;
}
.end {
  display: grid;
  gap: 2px;
  padding-top: 8px;
}
.stands:empty {
  display: none;
}
.promise {
  display: grid;
  gap: 2px;
}
.promise .p-inputtext {
  height: 44px;
  min-width: 0;
  font-size: 16px;
}
.moves {
  display: inline-flex;
}
.moves .p-button {
  font-size: 20px;
  min-width: 44px;
  min-height: 44px;
}
.waits {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 22px;
}
.wait {
  display: inline-flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: center;
}
@media (max-width: 1000px) {
  li[data-engine] {
    grid-template-columns: 44px minmax(0, 1fr) auto;
  }
  .end,
  .promise {
    grid-column: 2 / -1;
  }
  .moves {
    grid-column: 3;
    grid-row: 1;
  }
  .promise {
    max-width: 260px;
  }
}
</style>
