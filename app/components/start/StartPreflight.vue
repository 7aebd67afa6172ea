<script setup lang="ts">
import { checksOf } from '#core/build/checks'
import { HARD_LIMIT } from '#core/start/verdict'
import { ruleOf } from '#core/house/limits'
import { hasRun, primedAt } from '#core/prime/primed'
import { progressOf } from '#core/progress/progress'
import type { RunSetUp } from '#core/run/schema'
import { PAGES, stationPath } from '~/composables/stations'

/** What must be in order before it is started, from all stations: stop there, or go on with a written reason. */
const emit = defineEmits<{ go: [] }>()
const build = useBuild()
const run = useRun()
const now = useClock(30_000)
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.group === 'preflight'))
const ready = computed(() => checks.value.filter((check) => build.sheet!.checks[check.key]?.state === 'done').length)
const earlier = computed(() => progressOf(build.sheet!).filter((each) => each.station !== 'start' && (each.verdict === 'stop' || (each.station === 'prime' && each.done < each.wanted))))
const settled = useSettled(() => JSON.stringify([build.sheet?.readings, build.sheet?.layout]), 400)
const shown = useOnceShown()
const clock = useAnswer((_model, films) => (build.sheet && shown.value ? films().primeClock(build.sheet) : undefined), () => [settled.value, shown.value])
const stale = computed(() => {
  const at = primedAt(build.sheet!)
  return clock.value !== undefined && at !== undefined && !hasRun(build.sheet!) && now.value > at + 1000 * clock.value.good
})
const titleOf = (station: string) => PAGES.find((page) => page.page === station)!.title
interface Gate { gate: string; words: string; to?: string }
const gates = computed<Gate[]>(() => [
  ...earlier.value.map((each) => ({ gate: each.station, words: each.verdict === 'stop' ? `${titleOf(each.station)}: ${each.about}.` : `${titleOf(each.station)}: ${each.wanted - each.done} to go.`, to: stationPath(build.id!, each.station) })),
  ...(stale.value ? [{ gate: 'prime-clock', words: 'Prime: run out, prime it again.', to: stationPath(build.id!, 'prime') }] : []),
  ...(ready.value < checks.value.length ? [{ gate: 'preflight', words: `${checks.value.length - ready.value} of the preflight to go.` }] : []),
])
/** Gates that somebody goes on past, and why. */
const reasons = reactive<Record<string, string>>({})
const open = computed(() => gates.value.filter(({ gate }) => !reasons[gate]?.trim()))
const clear = computed(() => gates.value.length === 0)
async function begin(setup: Pick<RunSetUp, 'source' | 'rig'>) {
  const passed = gates.value.map(({ words, gate }) => ({ gate: words, reason: reasons[gate].trim() }))
  await run.begin(build.id!, 'start', { ...setup, ...(passed.length > 0 ? { passed } : {}) })
  emit('go')
}
</script>

<template>
  <div class="columns">
    <section>
      <h2>Preflight, {{ ready }} of {{ checks.length }}</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" :faults="false" />
    </section>
    <section>
      <div class="go" :class="clear ? 'ready' : 'not'" data-testid="clear-to-start">
        <span class="word">{{ clear ? 'Clear to start' : open.length === 0 ? 'Going on' : 'Not yet' }}</span>
        <div v-for="each in gates" :key="each.gate" class="gate" :data-gate="each.gate">
          <span><NuxtLink v-if="each.to" :to="each.to">{{ each.words }}</NuxtLink><template v-else>{{ each.words }}</template></span>
          <input v-model="reasons[each.gate]" maxlength="400" :aria-label="`Go on past: ${each.words} Because`" placeholder="go on, because">
        </div>
      </div>
      <p class="deadline">No pressure within <b>{{ ruleOf(build.sheet!, 'start.deadline') }} s</b> of firing: <b>shut down</b>. At <b>{{ HARD_LIMIT }} s</b> nothing excuses it. Falling at steady speed: shut down. A lamp is no gauge.</p>
      <CautionNote name="start">Hands and sleeves clear of belts and fan. Someone stays at the switch. Doors open while it runs; hot oil burns.</CautionNote>
      <h2 class="next">Readings</h2>
      <RunSource kind="start" :disabled="open.length > 0" @begin="begin">Go to the start</RunSource>
      <p v-if="open.length > 0" class="quiet">Each of what is open is put right, or gone past with its reason written beside it.</p>
    </section>
  </div>
</template>

<style scoped>
.go { border: 2px solid var(--field); padding: 14px 18px; display: grid; gap: 6px; }
.word { font-size: 30px; font-weight: 700; font-stretch: 88%; }
.go.ready { border-color: var(--pass); color: var(--pass); border-radius: 26px; }
.go.not { border-style: dashed; }
.gate { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 10px; align-items: center; }
.gate input { height: 44px; font-size: 15px; padding: 0 8px; border: 1px solid var(--field); border-radius: 3px; background: var(--sheet); min-width: 0; }
.deadline { padding: 14px 0; }
.next { margin: 20px 0 6px; }
@media (max-width: 760px) { .gate { grid-template-columns: 1fr; } }
</style>
