<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { inspectionsOf } from '#core/engine/catalogue'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { breakInPlan, recheckList, remindersOf } from '#core/start/breakIn'

/** Break-in by this engine's followers, with timers; what is gone over again; first change and the filter's own tale; reminders. */
const build = useBuild()
const units = useUnits()
const person = usePerson()
const now = useClock(500)
const plan = computed(() => breakInPlan(build.sheet!))
const recheck = computed(() =>
  recheckList(build.sheet!.layout).map(({ key, label }) => ({ key, label, station: 'start' as const, wanted: false })),
)
const filterCut = computed(() => inspectionsOf(build.sheet!.layout).find(({ key }) => key === 'start.filterCut')!)
const road = computed(() => build.sheet!.use === 'road' || build.sheet!.use === 'race')
const startedAt = computed(
  () =>
    Date.parse(
      recorded(build.sheet!, 'start.firstPressure')?.at ?? recorded(build.sheet!, 'start.idleCold.pressure')?.at ?? '',
    ) || undefined,
)
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
const problem = ref('')
const own = computed(() => build.sheet!.inspections['start.filterCut'])
const addPhoto = (id: string) =>
  build.inspect('start.filterCut', { photos: [...(own.value?.photos ?? []), id] }, 'Photo of the filter')
</script>

<template>
  <div class="columns">
    <section>
      <h2>Break-in, {{ build.sheet!.layout.followers === 'sliding' ? 'sliding followers' : 'roller followers' }}</h2>
      <OilInEngine />
      <div
        v-for="step in plan"
        :key="step.key"
        class="step"
        :data-step="step.key"
        :class="{ over: step.seconds && over(step.key, step.seconds) }"
      >
        <div>
          <b>{{ step.words }}</b><span v-if="step.speed" class="mono speed"
            >{{ units.show(step.speed[0], 'speed') }} to {{ units.say(step.speed[1], 'speed') }}</span
          >
          <p class="quiet">{{ step.why }}</p>
        </div>
        <div class="hand">
          <template v-if="step.seconds"
            ><span class="mono left" role="timer">{{ left(step.key, step.seconds) }}</span
            ><Button
              type="button"
              variant="outlined"
              :aria-label="`${step.words}: ${timers[step.key] === undefined ? 'start the timer' : 'reset the timer'}`"
              @click="toggle(step.key)"
              >{{ timers[step.key] === undefined ? 'Start' : 'Reset' }}</Button
            ></template
          >
          <SegmentChoice
            :label="step.words"
            :value="build.sheet!.checks[step.key]?.state"
            :options="[{ value: 'done', words: 'done', verdict: 'pass' }]"
            @choose="build.check(step.key, $event ? 'done' : undefined, step.words)"
          />
        </div>
      </div>
      <ReadingRow v-if="build.sheet!.layout.followers === 'sliding'" name="start.breakInTime" />
      <CautionNote
        >Exhaust indoors kills: doors open, hose on the pipe. Hot oil and hot parts; no hand near belts and
        fan.</CautionNote
      >
    </section>
    <section>
      <h2>Gone over again, cold</h2>
      <CheckRow v-for="item in recheck" :key="item.key" :item="item" />
      <h2 class="next">First change</h2>
      <ReadingRow name="start.changeHours" /><ReadingRow name="start.hoursPerWeek" />
      <template v-if="road"
        ><ReadingRow name="start.changeDistance" /><ReadingRow name="start.distancePerWeek"
      /></template>
      <div v-for="each in reminders" :key="each.key" class="row" :data-reminder="each.key">
        <span class="what">{{
          each.title.replace(`${build.sheet!.name}: `, '').replace(/^./, (letter) => letter.toUpperCase())
        }}</span><span class="mono">{{ new Date(each.due).toLocaleDateString('en-GB', { dateStyle: 'medium' }) }}</span>
      </div>
      <p>
        <a :href="`/api/builds/${build.id}/reminders`" download data-testid="reminders">Reminders for a calendar</a>
      </p>
      <h2 class="next">Filter cut open</h2>
      <p class="quiet">Spread the paper, press the oil out, look at it in the sun, try a magnet.</p>
      <InspectRow :item="filterCut" />
      <div v-if="own" class="photos">
        <a
          v-for="id in own.photos ?? []"
          :key="id"
          :href="`/api/builds/${build.id}/photos/${id}`"
          target="_blank"
          rel="noopener"
          ><img :src="`/api/builds/${build.id}/photos/${id}`" alt="Filter, cut open" loading="lazy" /></a
        ><AddPhoto
          of="the filter"
          :keep="(file) => shrinkPhoto(file, build.id!, person.who)"
          @kept="addPhoto"
          @problem="problem = $event"
        />
      </div>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <CautionNote>Used oil harms skin: gloves. Dispose of it by local rules.</CautionNote>
    </section>
  </div>
</template>

<style scoped>
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
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.photos img {
  width: 88px;
  height: 66px;
  object-fit: cover;
  border: 1px solid var(--field);
  display: block;
}
.wrong {
  color: var(--stop);
}
</style>
