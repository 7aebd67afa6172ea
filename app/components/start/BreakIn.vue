<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/breakIn'
import { inspectionsOf } from '#core/engine/catalogue'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { breakInPlan, firstStartedAt, recheckList, remindersOf } from '#core/start/breakIn'
import { dateOf } from '~/words/dates'

/** Break-in by this engine's followers, with timers; what is gone over again; first change and the filter's own tale; reminders. */
const build = useBuild()
const units = useUnits()
const now = useClock(500)
const plan = computed(() => breakInPlan(build.sheet!))
const recheck = computed(() =>
  recheckList(build.sheet!.layout).map(({ key, label }) => ({ key, label, station: 'start' as const, wanted: false })),
)
const filterCut = computed(() => inspectionsOf(build.sheet!.layout).find(({ key }) => key === 'start.filterCut')!)
const road = computed(() => build.sheet!.use === 'road' || build.sheet!.use === 'race')
const startedAt = computed(() => firstStartedAt(build.sheet!))
const reminders = computed(() => remindersOf(build.sheet!, startedAt.value ?? now.value))
/** Timers run in this browser, through a reload. */
const timers = ref<Record<string, number>>(rememberedJson<Record<string, number>>(`uldo.timers.${build.id}`, {}))
function toggle(key: string) {
  const { [key]: running, ...rest } = timers.value
  timers.value = running === undefined ? { ...timers.value, [key]: Date.now() } : rest
  remember(`uldo.timers.${build.id}`, JSON.stringify(timers.value))
}
function left(key: string, seconds: number): string {
  const began = timers.value[key]
  const rest = began === undefined ? seconds : Math.max(0, seconds - (now.value - began) / 1000)
  return `${Math.floor(rest / 60)}:${String(Math.floor(rest % 60)).padStart(2, '0')}`
}
const over = (key: string, seconds: number) =>
  timers.value[key] !== undefined && (now.value - timers.value[key]) / 1000 >= seconds
const own = computed(() => build.sheet!.inspections['start.filterCut'])
const addPhoto = (id: string) =>
  build.inspect('start.filterCut', { photos: [...(own.value?.photos ?? []), id] }, t('breakIn.photoOfTheFilter'))
</script>

<template>
  <div class="columns">
    <section>
      <h2>
        {{
          t('breakIn.breakIn', {
            followers:
              build.sheet!.layout.followers === 'sliding'
                ? t('breakIn.slidingFollowers')
                : t('breakIn.rollerFollowers'),
          })
        }}
      </h2>
      <OilInEngine />
      <div
        v-for="step in plan"
        :key="step.key"
        class="step"
        :data-step="step.key"
        :class="{ over: step.seconds && over(step.key, step.seconds) }"
      >
        <div>
          <b>{{ named(step.words) }}</b><span v-if="step.speed" class="mono speed">{{
            t('breakIn.to', { speed: units.show(step.speed[0], 'speed'), speed2: units.say(step.speed[1], 'speed') })
          }}</span>
          <p class="quiet">{{ named(step.why) }}</p>
        </div>
        <div class="hand">
          <template v-if="step.seconds"
            ><span class="mono left" role="timer">{{ left(step.key, step.seconds) }}</span
            ><Button
              type="button"
              variant="outlined"
              :aria-label="`${named(step.words)}: ${timers[step.key] === undefined ? t('breakIn.startTheTimer') : t('breakIn.resetTheTimer')}`"
              @click="toggle(step.key)"
              >{{ timers[step.key] === undefined ? t('breakIn.start') : t('breakIn.reset') }}</Button
            ></template
          >
          <SegmentChoice
            :label="named(step.words)"
            :value="build.sheet!.checks[step.key]?.state"
            :options="[{ value: 'done', words: t('breakIn.done'), verdict: 'pass' }]"
            @choose="build.check(step.key, $event ? 'done' : undefined, step.words)"
          />
        </div>
      </div>
      <ReadingRow v-if="build.sheet!.layout.followers === 'sliding'" name="start.breakInTime" />
      <CautionNote>{{ t('breakIn.exhaustIndoorsKillsDoorsOpen') }}</CautionNote>
    </section>
    <section>
      <h2>{{ t('breakIn.goneOverAgainCold') }}</h2>
      <CheckRow v-for="item in recheck" :key="item.key" :item="item" />
      <h2 class="next">{{ t('breakIn.firstChange') }}</h2>
      <ReadingRow name="start.changeHours" /><ReadingRow name="start.hoursPerWeek" />
      <template v-if="road"
        ><ReadingRow name="start.changeDistance" /><ReadingRow name="start.distancePerWeek"
      /></template>
      <ReadingRow name="start.laterHours" /><ReadingRow v-if="road" name="start.laterDistance" />
      <ReadingRow name="start.meterHours" /><ReadingRow v-if="road" name="start.meterDistance" />
      <Timeline class="reminders" :value="reminders" data-key="key" :aria-label="t('breakIn.remindersByTheirDay')">
        <template #opposite="{ item }"
          ><span class="mono">{{ dateOf(item.due) }}</span></template
        >
        <template #content="{ item }"
          ><span :data-reminder="item.key">{{ named(item.title) }}</span></template
        >
      </Timeline>
      <p>
        <a :href="`/api/builds/${build.id}/reminders`" download data-testid="reminders">{{
          t('breakIn.remindersForACalendar')
        }}</a>
      </p>
      <h2 class="next">{{ t('breakIn.filterCutOpen') }}</h2>
      <p class="quiet">{{ t('breakIn.spreadThePaperPressTheOil') }}</p>
      <InspectRow :item="filterCut" />
      <PhotoRow v-if="own" :of="t('breakIn.theFilter')" :photos="own.photos" @kept="addPhoto" />
      <CautionNote>{{ t('breakIn.usedOilHarmsSkinGlovesDispose') }}</CautionNote>
    </section>
  </div>
</template>

<style scoped>
.reminders {
  margin-top: 16px;
}
.reminders :deep(.p-timeline-event-opposite) {
  flex: none;
  padding: 0 10px 0 0;
  min-width: 112px;
}
.step {
  display: grid;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}
.speed {
  display: block;
  white-space: nowrap;
}
.hand {
  display: flex;
  gap: 10px;
  align-items: center;
}
.left {
  font-size: 22px;
  min-width: 76px;
}
.over .left {
  color: var(--pass);
  font-weight: 700;
}
.next {
  margin-top: 22px;
}
.wrong {
  color: var(--stop);
}
</style>
