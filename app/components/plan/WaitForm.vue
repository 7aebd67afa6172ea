<script setup lang="ts">
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { z } from 'zod'
import { t } from '~/words/of/plan'
import { PAGES } from '~/composables/stations'
import { serverNow } from '~/sync/serverClock'
import { isTimed, PlannedWait, WallMoment } from '#core/house/plan'
import { durationFrom } from '#core/plan/typed'
import { STATIONS, type Station } from '#core/record/quantity'
import { keepWaitDraft, waitDraft, type WaitDraft } from '~/composables/waitDraft'

/** Something that an engine waits for: until a time, from now on for so long, after a station, or until somebody knows. */
const { build, was } = defineProps<{ build: string; was?: { id: string; wait: PlannedWait } }>()
const emit = defineEmits<{ close: [] }>()
const plan = usePlan()
type How = WaitDraft['how']
const COMMON: { value: string; words: string; how: How; station: Station }[] = [
  { value: 'own', words: t('wait.own'), how: 'until', station: 'bearings' },
  { value: 'shells', words: t('wait.shells'), how: 'until', station: 'bearings' },
  { value: 'machine', words: t('wait.machine'), how: 'open', station: 'bearings' },
  { value: 'sealer', words: t('wait.sealer'), how: 'runs', station: 'prime' },
  { value: 'washed', words: t('wait.washed'), how: 'after', station: 'passages' },
  { value: 'oil', words: t('wait.oil'), how: 'runs', station: 'prime' },
]
const before = was?.wait
/** As it was typed before a reload. */
const draft = waitDraft(build, was?.id)
const common = ref(draft?.common ?? 'own')
const what = ref(draft?.what ?? before?.what ?? '')
const how = ref<How>(
  draft?.how ??
    (!before ? 'until' : 'after' in before ? 'after' : isTimed(before) ? 'runs' : before.until ? 'until' : 'open'),
)
const station = ref<Station>(
  draft?.station ?? (!before ? 'bearings' : 'after' in before ? before.after : before.before),
)
/** As it was put: hours and minutes of what takes a time. */
const until = draft?.until ?? (before && 'until' in before ? before.until : '')
const takesBefore = before && 'takes' in before ? Math.round(before.takes / 60_000) : undefined
const takes =
  draft?.takes ??
  (takesBefore === undefined ? '' : `${Math.floor(takesBefore / 60)}:${String(takesBefore % 60).padStart(2, '0')}`)
const typedNow = { what: what.value, until: until ?? '', takes }
const keepDraft = () =>
  keepWaitDraft(build, was?.id, { ...typedNow, common: common.value, how: how.value, station: station.value })
function typing({ target }: Event) {
  const { name, value } = target as HTMLInputElement
  if (!(name in typedNow)) return
  typedNow[name as keyof typeof typedNow] = value
  keepDraft()
}
watch([how, station], keepDraft)
function leave() {
  keepWaitDraft(build, was?.id, undefined)
  emit('close')
}
function take(value: string) {
  const chosen = COMMON.find((each) => each.value === value)!
  common.value = value
  how.value = chosen.how
  station.value = chosen.station
  what.value = value === 'own' ? '' : chosen.words
  typedNow.what = what.value
  keepDraft()
}
const HOWS: { value: How; words: string }[] = [
  { value: 'until', words: t('wait.until') },
  { value: 'runs', words: t('wait.runs') },
  { value: 'after', words: t('wait.after') },
  { value: 'open', words: t('wait.open') },
]
const STATION_CHOICES = STATIONS.map((value) => ({
  value,
  words: PAGES.find(({ page }) => page === value)!.title,
}))
const takesTime = computed(() => how.value === 'runs' || how.value === 'after')
const resolver = computed(() =>
  zodResolver(
    z.object({
      what: z.string().trim().min(1, t('wait.sayWhat')).max(80),
      until:
        how.value === 'until'
          ? z.string().refine((text) => WallMoment.safeParse(text).success, t('wait.sayUntil'))
          : z.any().optional(),
      takes: takesTime.value
        ? z.string().refine((text) => durationFrom(text) !== undefined, t('wait.sayTakes'))
        : z.any().optional(),
    }),
  ),
)
async function put({ valid, values }: { valid: boolean; values?: unknown }) {
  if (!valid) return
  const typed = values as { what: string; until: string; takes: string }
  const takes = takesTime.value ? durationFrom(typed.takes) : undefined
  const said = { what: typed.what.trim() }
  const wait = PlannedWait.parse(
    how.value === 'after'
      ? { ...said, after: station.value, takes }
      : how.value === 'runs'
        ? { ...said, before: station.value, takes, begun: new Date(serverNow()).toISOString() }
        : { ...said, before: station.value, ...(how.value === 'until' ? { until: typed.until } : {}) },
  )
  leave()
  await (was ? plan.waitInstead(build, was.id, wait) : plan.wait(build, wait))
}
</script>

<template>
  <Form
    :key="common"
    class="wait-form"
    data-testid="wait-form"
    :resolver="resolver"
    :initial-values="{ what, until, takes }"
    :validate-on-value-update="false"
    @input="typing"
    @submit="put"
  >
    <span v-if="!was" class="line"
      ><span class="quiet">{{ t('wait.common') }}</span
      ><ChoiceField :label="t('wait.common')" :value="common" :options="COMMON" @choose="take"
    /></span>
    <FormLine name="what" :label="t('wait.what')" maxlength="80" />
    <SegmentChoice
      class="wide"
      :label="t('wait.how')"
      :value="how"
      :options="HOWS"
      @choose="$event && (how = $event)"
    />
    <FormLine v-if="how === 'until'" name="until" :label="t('wait.untilWhen')" type="datetime-local" />
    <FormLine v-if="takesTime" name="takes" :label="t('wait.takes')" inputmode="decimal" maxlength="12" />
    <span class="line"
      ><span class="quiet">{{ how === 'after' ? t('wait.afterWhich') : t('wait.before') }}</span
      ><ChoiceField
        :label="how === 'after' ? t('wait.afterWhich') : t('wait.before')"
        :value="station"
        :options="STATION_CHOICES"
        @choose="station = $event"
    /></span>
    <p v-if="how === 'runs'" class="quiet wide">{{ t('wait.byServer') }}</p>
    <div class="wide actions">
      <Button type="submit">{{ was ? t('wait.change') : t('wait.put') }}</Button><Button
        type="button"
        variant="outlined"
        @click="leave"
        >{{ t('wait.cancel') }}</Button
      >
    </div>
  </Form>
</template>

<style scoped>
.wait-form {
  flex: 1 1 100%;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px 16px;
  border-top: 3px solid var(--petrol);
  padding: 12px 0 16px;
  align-items: start;
}
.line {
  display: grid;
  gap: 3px;
}
.wide {
  grid-column: 1 / -1;
  margin: 0;
}
.actions {
  display: flex;
  gap: 10px;
}
</style>
