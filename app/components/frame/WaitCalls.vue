<script setup lang="ts">
import { t } from '~/words/of/frame'
import { PAGES, stationPath } from '~/composables/stations'
import { askOrSeen } from '~/sync/lastSeen'
import { serverTimeKnown, useServerClock } from '~/sync/serverClock'
import { suffices } from '#core/house/people'
import { endOfWait, isTimed } from '#core/house/plan'

/** Waits of the plan whose time is over, over whatever page is open: a sealer has cured, oil is warm. Called until somebody has seen it. */
const shop = useShop()
const now = useServerClock()
void shop.load()
/** The names of the engines on the floor, asked for only when one is called: what was put by since waits for nothing. */
const names = shallowRef<Record<string, string>>()
/** Called no more on this page: whoever may not change the plan puts a call away here alone. */
const away = ref<string[]>([])
const access = useAccess()
const over = computed(() =>
  Object.entries(shop.house.plan?.engines ?? {}).flatMap(([build, { waits }]) =>
    Object.entries(waits).flatMap(([id, wait]) =>
      isTimed(wait) && !wait.seen && endOfWait(wait) <= now.value && !away.value.includes(id)
        ? [{ id, build, wait }]
        : [],
    ),
  ),
)
/** It is called once the run has ended. */
const turning = useTurning()
const called = computed(() =>
  turning.value ? [] : over.value.filter(({ build }) => !names.value || build in names.value),
)
const key = computed(() => over.value.map(({ id }) => id).join(' '))
watch(
  key,
  async (calls, before) => {
    if (!calls) return
    if (before !== undefined && calls.length > before.length) sound()
    const { answer } = await askOrSeen('GET /api/plan').catch(() => ({ answer: undefined }))
    if (answer) names.value = Object.fromEntries(answer.engines.map(({ id, name }) => [id, name]))
  },
  { immediate: true },
)
/** One low tone, unlike the two of a STOP; a page that nobody has touched may not sound. */
function sound() {
  const context = new AudioContext()
  const tone = context.createOscillator()
  const gain = context.createGain()
  gain.gain.setValueAtTime(0.25, context.currentTime)
  gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 1.2)
  tone.frequency.value = 440
  tone.connect(gain).connect(context.destination)
  tone.start()
  tone.stop(context.currentTime + 1.2)
  tone.onended = () => void context.close()
}
const may = computed(() => !access.needed || (access.person && suffices(access.person.role, 'builder')))
function seen(build: string, id: string) {
  away.value = [...away.value, id]
  if (!may.value) return
  void shop.save((house) => {
    const wait = house.plan.engines[build]?.waits[id]
    if (wait && isTimed(wait)) wait.seen = true
  })
}
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)!.title
</script>

<template>
  <div v-if="called.length > 0" class="calls" role="alert" :aria-label="t('waitCalls.calls')" data-testid="wait-calls">
    <div v-for="each in called" :key="each.id" class="call">
      <p>
        {{
          t('waitCalls.over', {
            what: each.wait.what,
            engine: names?.[each.build] ?? '…',
            station: titleOf(each.wait.before),
          })
        }}
        <span v-if="!serverTimeKnown" class="quiet">{{ t('waitCalls.byThisClock') }}</span>
      </p>
      <NuxtLink :to="stationPath(each.build, each.wait.before)" @click="seen(each.build, each.id)">{{
        t('waitCalls.goThere')
      }}</NuxtLink><Button type="button" @click="seen(each.build, each.id)">{{ t('waitCalls.seen') }}</Button>
    </div>
  </div>
</template>

<style scoped>
.calls {
  position: fixed;
  inset: auto 0 0;
  z-index: 65;
  background: var(--sheet);
  border-top: 6px solid var(--watch);
  padding: 6px 26px;
  max-height: 50vh;
  overflow-y: auto;
}
.call {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  justify-content: flex-end;
  min-height: 56px;
  font-size: 18px;
}
.call p {
  flex: 1 1 300px;
  margin: 0;
  font-weight: 600;
}
.call a {
  line-height: 44px;
}
.call .p-button {
  min-height: 44px;
}
@media print {
  .calls {
    display: none;
  }
}
</style>
