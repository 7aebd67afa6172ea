<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/outlook'
import { quantityAt } from '#core/engine/values'
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'
import { goToReading } from '~/composables/goToReading'

/** What each change that a builder can really make does to each state, and which measurement is worth its minutes. */
const build = useBuild()
const units = useUnits()
const router = useRouter()
const { value: moves } = useAnswer(
  (model) => (build.sheet ? model.sensitivities(build.sheet) : undefined),
  () => build.sheet,
)
const { value: next } = useAnswer(
  (model) => (build.sheet ? model.next(build.sheet) : undefined),
  () => build.sheet,
)
const most = computed(() =>
  Math.max(1, ...(moves.value ?? []).flatMap(({ effects }) => Object.values(effects).map(Math.abs))),
)
const signed = (value: number) =>
  Math.abs(value) < 500 ? '0' : `${value > 0 ? '+' : ''}${units.show(value, 'pressure', units.fine)}`
/** Kinds of things, for one sentence on what sets the floor and what the ceiling. */
const KINDS: Record<string, string> = {
  main: t('movesView.mains'),
  rod: t('movesView.rods'),
  oil: t('movesView.oil'),
  pump: t('movesView.thePump'),
  relief: t('movesView.theReliefSpring'),
  relief2: t('movesView.theReliefSpring'),
  cam: t('movesView.camBearings'),
  pickup: t('movesView.thePickup'),
}
const kindOf = (part: string) => KINDS[part] ?? t('movesView.restrictorsAndJets')
function setBy(state: 'idleHot' | 'workingHot'): string {
  const sorted = [...(moves.value ?? [])].sort((a, b) => Math.abs(b.effects[state]) - Math.abs(a.effects[state]))
  const first = Math.abs(sorted[0]?.effects[state] ?? 0)
  const kinds = [
    ...new Set(sorted.filter(({ effects }) => Math.abs(effects[state]) > 0.4 * first).map(({ part }) => kindOf(part))),
  ].slice(0, 3)
  return kinds.length > 1
    ? t('movesView.and', { kinds: kinds.slice(0, -1).join(', '), at: kinds.at(-1) })
    : (kinds[0] ?? 'nothing')
}
const best = computed(() => next.value?.slice(0, 6) ?? [])
function go(key: string) {
  void goToReading(router, build.id!, quantityAt(build.sheet!, key))
}
</script>

<template>
  <div>
    <p v-if="moves" class="sentence predicted" data-testid="sentence">
      {{ t('movesView.theFloorAtHotIdleIs') }} <b>{{ setBy('idleHot') }}</b>{{
        t('movesView.theCeilingAtWorkingSpeedBy')
      }}
      <b>{{ setBy('workingHot') }}</b>.
    </p>
    <ResultTable
      class="predicted"
      :rows="moves ?? []"
      :label="t('movesView.biggestEffects')"
      :attributes="(move) => ({ 'data-move': move.key })"
    >
      <Column
        :field="(row) => named(row.label)"
        :header="t('movesView.oneStepOfEach', { unit: units.unit('pressure').symbol })"
        sortable
      /><Column
        v-for="state in STATE_NAMES"
        :key="state"
        :field="`effects.${state}`"
        :header="inSentence(STATE_LABELS[state])"
        body-class="figures"
        sortable
        ><template #body="{ data }"
          ><span class="bar" aria-hidden="true"
            ><i
              :class="data.effects[state] < 0 ? 'down' : 'up'"
              :style="{ width: `${(50 * Math.abs(data.effects[state])) / most}%` }" /></span
          >{{ signed(data.effects[state]) }}</template
        ></Column
      >
    </ResultTable>
    <section class="block" :aria-label="t('movesView.nextMeasurement')">
      <h2>{{ t('movesView.worthMeasuringNext') }}</h2>
      <p v-if="next && best.length === 0" class="quiet">{{ t('movesView.nothingThatCanBeMeasuredIs') }}</p>
      <div v-for="(each, i) in best" :key="each.key" class="row">
        <span class="what"
          ><b v-if="i === 0">{{ named(each.label) }}</b
          ><template v-else>{{ named(each.label) }}</template
          ><span class="origin">{{
            t('movesView.aboutMinTakesIn100Off', {
              minutes: each.minutes,
              narrows: each.narrows < 0.01 ? t('movesView.lessThan1') : Math.round(100 * each.narrows),
            })
          }}</span></span
        ><Button
          type="button"
          :variant="i === 0 ? undefined : 'outlined'"
          :aria-label="t('movesView.measure', { each: named(each.label) })"
          @click="go(each.key)"
          >{{ t('movesView.measure2') }}</Button
        >
      </div>
    </section>
  </div>
</template>

<style scoped>
.sentence {
  padding: 2px 0 10px;
  font-size: 17px;
}
.bar {
  display: block;
  height: 5px;
  position: relative;
}
.bar::before {
  content: '';
  position: absolute;
  left: 50%;
  top: -1px;
  height: 7px;
  border-left: 1px solid var(--field);
}
.bar i {
  position: absolute;
  top: 0;
  height: 5px;
}
.up {
  left: 50%;
  background: var(--petrol);
}
.down {
  right: 50%;
  background: var(--oil);
}
</style>
