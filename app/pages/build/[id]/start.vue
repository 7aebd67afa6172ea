<script setup lang="ts">
import { checksOf } from '#core/build/checks'
import { progressOf, worstOf } from '#core/progress/progress'
import { START_POINTS } from '#core/build/quantities'
import { PAGES } from '~/composables/stations'
import { FIRST_PRESSURE, judgeFirstPressure, type PointVerdict } from '#core/start/verdict'

const build = useBuild()
const house = useHouse()
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.group === 'preflight'))
const ready = computed(() => checks.value.filter((check) => build.sheet!.checks[check.key]?.state === 'done').length)
const earlier = computed(() => progressOf(build.sheet!).filter((each) => each.station !== 'start' && (each.verdict === 'stop' || (each.station === 'prime' && each.done < each.wanted))))
const clear = computed(() => ready.value === checks.value.length && earlier.value.length === 0)
const titleOf = (station: string) => PAGES.find((page) => page.page === station)!.title
const first = computed(() => build.sheet!.readings['start.firstPressure']?.value)
const points = useAnswer(async (model) => {
  const sheet = build.sheet
  if (!sheet) return []
  return Promise.all(START_POINTS.map(async ([name, label]) => {
    const reading = sheet.readings[`start.${name}.pressure`]
    return { name, label, judged: reading ? await model.point(sheet, name, reading.value) : undefined }
  }))
}, () => build.sheet)
const worst = computed(() => worstOf([first.value === undefined ? undefined : judgeFirstPressure(first.value), ...(points.value ?? []).map((point) => point.judged?.verdict)]))
const p = (value: number) => house.say(value, 'pressure', house.unit('pressure').symbol === 'bar' ? 2 : undefined)

function reason(judged: PointVerdict): string {
  const { reading, target, expected, against, prediction } = judged
  const said = `The model says ${p(expected.pressure)} (${p(expected.low)} to ${p(expected.high)})`
  if (against === 'under') return `${p(target.least - reading)} under the target of ${p(target.least)}, ${target.reason}. ${said}${prediction === 'below' ? ', so something leaks, starves or misreads: shut down and find it.' : ', so the engine does what was measured: clearance, oil or pump must change.'}`
  if (against === 'over') return `${p(reading - target.most)} over the most of ${p(target.most)}. Ease off; look for a relief valve that sticks shut.`
  if (prediction === 'below') return `In its target from ${p(target.least)}, ${target.reason}, but below what this engine should show. ${said}: read a second gauge, then look for a leak.`
  if (prediction === 'above') return `In its target, but above what this engine should show. ${said}: thicker oil than recorded, or a valve that opens late.`
  return `In its target from ${p(target.least)}, ${target.reason}. ${said}, and the reading agrees.`
}
</script>

<template>
  <div>
    <StationHead station="start" title="First start">Preflight, then watch the gauge and not the lamp. Shut down by the deadline.</StationHead>

    <div class="columns">
      <section>
        <h2>Preflight, {{ ready }} of {{ checks.length }}</h2>
        <CheckRow v-for="item in checks" :key="item.key" :item="item" :faults="false" />
      </section>
      <section>
        <div class="go" :class="clear ? 'ready' : 'not'" data-testid="clear-to-start">
          <span class="word">{{ clear ? 'Clear to start' : 'Not yet' }}</span>
          <span v-if="ready < checks.length">{{ checks.length - ready }} of the preflight to go.</span>
          <span v-for="each in earlier" :key="each.station">{{ each.station === 'prime' ? `Prime: ${each.wanted - each.done} to go.` : '' }}{{ each.verdict === 'stop' ? ` ${titleOf(each.station)}: ${each.about}.` : '' }}</span>
        </div>
        <p class="deadline">No pressure within <b class="mono">{{ FIRST_PRESSURE.wanted }} s</b> of firing: <b>shut down</b>. At <b class="mono">{{ FIRST_PRESSURE.limit }} s</b> nothing excuses it. Falling at steady speed: shut down.</p>
        <ReadingRow name="start.firstPressure" run="start" />
        <CautionNote name="start">Hands and sleeves clear of belts and fan. Someone stays at the switch. Doors open while it runs; hot oil burns.</CautionNote>
      </section>
    </div>

    <section class="block">
      <div class="block-head"><h2>Steady readings</h2><VerdictLabel v-if="worst" :verdict="worst" /></div>
      <div class="points">
        <div v-for="[name, label] in START_POINTS" :key="name" class="point">
          <h3>{{ label }}</h3>
          <label v-for="field in ['pressure', 'speed', 'temperature'] as const" :key="field"><span class="quiet">{{ field === 'temperature' ? 'oil' : field }}</span><ReadingInput :name="`start.${name}.${field}`" run="start" /><span class="quiet unit">{{ house.unit(field).symbol }}</span></label>
        </div>
      </div>
    </section>
    <section aria-label="Judgement">
      <JudgementLine v-if="first !== undefined" :verdict="judgeFirstPressure(first)"><b>First pressure after {{ house.say(first, 'duration') }}, wanted within {{ FIRST_PRESSURE.wanted }} s.</b></JudgementLine>
      <template v-for="point in points ?? []" :key="point.name"><JudgementLine v-if="point.judged" :verdict="point.judged.verdict" :data-point="point.name"><b>{{ point.label }} {{ point.judged.verdict }}: {{ p(point.judged.reading) }}.</b> {{ reason(point.judged) }}</JudgementLine></template>
    </section>
  </div>
</template>

<style scoped>
.go { border: 2px solid var(--field); padding: 14px 18px; display: grid; gap: 2px; }
.go .word { font-size: 30px; font-weight: 700; font-stretch: 88%; }
.go.ready { border-color: var(--pass); color: var(--pass); border-radius: 26px; }
.go.not { border-style: dashed; color: var(--quiet); }
.go.not .word { color: var(--ink); }
.deadline { padding: 14px 0; }
.points { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px 30px; padding-bottom: 10px; }
.point label { display: grid; grid-template-columns: 1fr auto 44px; align-items: center; border-top: 1px solid var(--rule); }
.point h3 { font-size: 16px; padding-bottom: 4px; }
.unit { padding-left: 6px; }
@media (max-width: 900px) { .points { grid-template-columns: 1fr; } }
</style>
