<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/start'
import { recorded } from '#core/engine/values'
import { START_POINTS } from '#core/parts/firstStart'
import { ruleOf } from '#core/house/limits'
import { observationsOf, type Observation } from '#core/start/calibrate'
import { remarksOf } from '#core/run/remarks'
import type { PointName } from '#core/start/points'
import { judgeFirstPressure, pointMoment } from '#core/start/verdict'
import { perThousand } from '#core/targets/targets'
import { lowByDesign } from '#core/start/lowByDesign'
import { designWords, pointReason } from '~/words/start'
import { worstOf } from '#core/progress/progress'

/** Steady readings, each judged by its target and by what this engine should show; what they say of the engine. */
const build = useBuild()
const units = useUnits()
const run = useRun()
const runSheet = useRunSheet()
const first = computed(() => recorded(build.sheet!, 'start.firstPressure')?.value)
const points = useStartPoints()
/** Of the steady points; that first pressure came in time makes none of them good. */
const worst = computed(() => {
  const steady = worstOf((points.value ?? []).map((point) => point.judged?.verdict))
  const came = first.value === undefined ? undefined : judgeFirstPressure(build.sheet!, first.value)
  return steady === undefined && came === 'pass' ? undefined : worstOf([steady, came])
})
const remarks = computed(() => remarksOf(run.events))
const p = (value: number) => units.say(value, 'pressure', units.fine)
const design = computed(() => {
  const idle = points.value?.find(({ name }) => name === 'idleHot')?.judged
  return idle && idle.against === 'inside'
    ? lowByDesign(build.sheet!, idle.target, perThousand(pointMoment(build.sheet!, 'idleHot').speed))
    : undefined
})
/** Of a simulated run its own points, the last of each name; else what is written down. */
const caught = computed(() =>
  run.run?.setup.source === 'rig'
    ? [
        ...new Map(
          run.events
            .filter(({ kind }) => kind === 'point')
            .map(({ data }) => [
              String(data.name),
              {
                name: data.name as PointName,
                pressure: Number(data.pressure),
                speed: Number(data.speed),
                temperature: Number(data.temperature),
              },
            ]),
        ).values(),
      ]
    : [],
)
const simulated = computed(() =>
  caught.value.map(({ pressure, speed, temperature }): Observation => ({ pressure, speed, temperature })),
)
const labels = Object.fromEntries(START_POINTS) as Record<PointName, string>
const { value: practised } = useAnswer(
  async (model) => {
    const sheet = runSheet.value
    if (!sheet) return []
    return Promise.all(
      caught.value.map(async ({ name, pressure, speed, temperature }) => ({
        name,
        label: labels[name],
        judged: await model.pointAt(sheet, name, pressure, speed, temperature),
      })),
    )
  },
  () => caught.value,
)
const observations = computed(() => (simulated.value.length > 0 ? simulated.value : observationsOf(build.sheet!)))
const asked = useSettled(() => observations.value, 300)

const FIELDS = {
  pressure: t('startReadings.pressure'),
  speed: t('startReadings.speed'),
  temperature: t('startReadings.oil'),
}
</script>

<template>
  <div>
    <section>
      <div class="block-head">
        <h2>{{ t('startReadings.steadyReadings') }}</h2>
        <VerdictLabel v-if="worst" :verdict="worst" />
      </div>
      <ReadingRow name="start.firstPressure" run="start" />
      <div class="points">
        <div v-for="[name, label] in START_POINTS" :key="name" class="point">
          <h3>{{ named(label) }}</h3>
          <label v-for="field in ['pressure', 'speed', 'temperature'] as const" :key="field"
            ><span class="quiet">{{ FIELDS[field] }}</span
            ><ReadingInput :name="`start.${name}.${field}`" run="start" /><span class="quiet unit">{{
              units.unit(field).symbol
            }}</span></label
          >
        </div>
      </div>
    </section>
    <section :aria-label="t('startReadings.judgement')">
      <JudgementLine v-if="first !== undefined" :verdict="judgeFirstPressure(build.sheet!, first)"
        ><b>{{
          t('startReadings.firstPressureAfterWantedWithin', {
            first: units.say(first, 'duration'),
            ruleOf: ruleOf(build.sheet!, 'start.deadline'),
          })
        }}</b></JudgementLine
      >
      <template v-for="point in points ?? []" :key="point.name"
        ><JudgementLine v-if="point.judged" :verdict="point.judged.verdict" :data-point="point.name"
          ><b>{{ named(point.label) }} {{ named(point.judged.verdict) }}: {{ p(point.judged.reading) }}.</b>
          {{ pointReason(point.judged, p) }} <TraceLink v-if="point.judged.verdict !== 'pass'" /></JudgementLine
      ></template>
      <p v-if="design" class="quiet design">{{ designWords(design, p) }}</p>
    </section>
    <section v-if="remarks.length > 0">
      <h2>{{ t('remarks.ofThisStart') }}</h2>
      <RunRemarks />
    </section>
    <section v-if="simulated.length > 0">
      <p class="simulated">{{ t('startReadings.fromASimulatedRunNothingOf') }}</p>
      <JudgementLine
        v-for="point in practised ?? []"
        :key="point.name"
        :verdict="point.judged.verdict"
        :data-practised="point.name"
        ><b>{{ named(point.label) }} {{ named(point.judged.verdict) }}: {{ p(point.judged.reading) }}.</b>
        {{ pointReason(point.judged, p) }}</JudgementLine
      >
    </section>
    <CalibrationPanel v-if="asked.length > 0" class="block" :observations="asked" />
  </div>
</template>

<style scoped>
.points {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 12px 30px;
  padding: 12px 0 10px;
}
.point label {
  display: grid;
  grid-template-columns: 1fr auto 44px;
  align-items: center;
  border-top: 1px solid var(--rule);
}
.point h3 {
  font-size: 16px;
  padding-bottom: 4px;
}
.unit {
  padding-left: 6px;
}
.design {
  padding-top: 8px;
  max-width: 70ch;
}
.simulated {
  border-left: 6px dashed var(--watch);
  padding: 4px 12px;
  margin-top: 18px;
}
</style>
