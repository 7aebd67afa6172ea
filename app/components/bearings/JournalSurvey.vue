<script setup lang="ts">
import { t } from '~/words/of/bearings'
import { PLACES } from '#core/parts/bearingReadings'
import { shapeVerdicts } from '#core/parts/shapes'
import type { BearingRecord } from '#core/parts/clearances'

/** Journal and bore in two planes at three angles, and the shape they come to. */
const build = useBuild()
const { reading, record } = defineProps<{ reading: string; record: BearingRecord }>()
const units = useUnits()
const gap = (value: number) => units.show(value, 'clearance')

/** Grid of readings: first the vertical one in front, then the other places. */
const GRID = [
  ['', 'rear'],
  ['left', 'rearLeft'],
  ['right', 'rearRight'],
] as const
const ANGLES = [t('journalSurvey.vertical'), t('journalSurvey.n60Left'), t('journalSurvey.n60Right')]
const name = (side: string, place: string) => `${reading}.${side}${place ? `.${place}` : ''}`

const shape = computed(() => record.shape)
const SHAPES = [
  [t('journalSurvey.taper'), 'taper'],
  [t('journalSurvey.outOfRound'), 'outOfRound'],
  [t('journalSurvey.widerAtThePartingLine'), 'eccentricity'],
] as const
/** How the shapes stand against their limits: the worse of both sides. */
const judged = computed(() => shapeVerdicts(build.sheet!, record.set).filter(({ label }) => label === record.label))
</script>

<template>
  <div class="survey">
    <table class="grid">
      <thead>
        <tr>
          <th scope="col">
            <span class="hidden-but-read">{{ t('journalSurvey.angle') }}</span>
          </th>
          <th scope="col">{{ t('journalSurvey.journalFront') }}</th>
          <th scope="col">{{ t('journalSurvey.rear') }}</th>
          <th scope="col">{{ t('journalSurvey.boreFront') }}</th>
          <th scope="col">{{ t('journalSurvey.rear') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(places, i) in GRID" :key="i">
          <th scope="row">{{ ANGLES[i] }}</th>
          <template v-for="side in ['journal', 'bore']" :key="side"
            ><td v-for="at in places" :key="at">
              <ReadingInput
                :name="name(side, at)"
                run="survey"
                :column="`${side}.${at ? PLACES.findIndex(([own]) => own === at) : 'first'}`"
              /></td
          ></template>
        </tr>
      </tbody>
    </table>
    <div>
      <dl v-if="shape" class="shape">
        <dt class="quiet">&nbsp;</dt>
        <dd class="quiet">{{ t('journalSurvey.journal') }}</dd>
        <dd class="quiet">{{ t('journalSurvey.bore') }}</dd>
        <template v-for="[words, field] in SHAPES" :key="field"
          ><dt>{{ words }}</dt>
          <dd class="mono">{{ shape.journal[field] === undefined ? '·' : gap(shape.journal[field]!) }}</dd>
          <dd class="mono">{{ shape.bore[field] === undefined ? '·' : gap(shape.bore[field]!) }}</dd></template
        >
      </dl>
      <div v-for="each in judged" :key="each.field" class="against" :data-shape="each.field">
        <span
          >{{ each.field === 'taper' ? t('journalSurvey.taper') : t('journalSurvey.outOfRound') }}, {{ each.side }}:
          {{ gap(each.value) }},
          {{ each.limit.source === 'maker' ? t('journalSurvey.makersLimit') : t('journalSurvey.houseLimit') }}
          {{ gap(each.limit.value) }}</span
        ><VerdictLabel :verdict="each.verdict" />
      </div>
      <p class="quiet">
        {{
          t('journalSurvey.verticalReadingsJudgeTheSides', {
            shape:
              shape && shape.planes.length > 1
                ? `${t('journalSurvey.tightestInThePlane', { planes: shape.planes[0] < shape.planes[1] ? t('journalSurvey.frontPlane') : t('journalSurvey.rearPlane'), angle: units.say(Math.min(...shape.planes), 'clearance') })} `
                : '',
          })
        }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.against {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 4px 0;
}
.grid {
  width: 100%;
  border-collapse: collapse;
}
.grid th {
  font-weight: 400;
  color: var(--quiet);
  text-align: right;
  padding-right: 8px;
  white-space: nowrap;
}
.grid th:first-child {
  text-align: left;
}
.grid td {
  text-align: right;
}
.grid tr {
  border-top: 1px solid var(--rule);
}
.grid thead tr {
  border: 0;
}
.grid :deep(input) {
  width: 86px;
  padding-inline: 4px;
  font-size: 17px;
}
.survey {
  display: grid;
  grid-template-columns: auto minmax(200px, 1fr);
  gap: 8px 30px;
  align-items: start;
  padding-bottom: 10px;
}
.shape {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 3px 20px;
  margin: 8px 0 0;
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.shape dd {
  margin: 0;
  text-align: right;
  min-width: 60px;
}
@media (max-width: 900px) {
  .survey {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 760px) {
  .grid :deep(input) {
    width: 66px;
    font-size: 15px;
  }
}
</style>
