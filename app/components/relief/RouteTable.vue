<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/relief'
import { type Route, routeKey } from '#core/relief/routes'
import { objectionWords } from '~/words/relief'

/** Every way to a wanted opening pressure side by side; of those with shims or a spring one is chosen. */
const { routes, route } = defineProps<{ routes: readonly Route[]; route?: Route }>()
const emit = defineEmits<{ choose: [string] }>()
const units = useUnits()
const titles: Record<Route['kind'], string> = {
  shims: t('routeTable.shims'),
  spring: t('routeTable.spring'),
  plug: t('routeTable.plug'),
  flush: t('routeTable.plugFlush'),
  'spring-plug': t('routeTable.springAndPlug'),
  'spring-flush': t('routeTable.springPlugFlush'),
  cap: t('routeTable.deformedCap'),
}
/** A spring by its label, with what is done to the plug beside it. */
function title({ kind, spring }: Route): string {
  if (!spring) return titles[kind]
  return kind === 'spring-plug'
    ? t('routeTable.plugMoved', { spring: named(spring.label) })
    : kind === 'spring-flush'
      ? t('routeTable.plugFlush2', { spring: named(spring.label) })
      : spring.label
}
/** A route by its kind, one with a spring by the spring. */
const nameOf = ({ kind, spring }: Route) =>
  !spring ? kind : kind === 'spring' ? spring.label : `${kind} ${spring.label}`
const p = (value: number | undefined) => (value === undefined ? '·' : units.show(value, 'pressure', units.fine))
function what(route: Route): string {
  if (route.kind === 'shims')
    return t('routeTable.inAllUnderTheFittedSpring', { shims: units.say(route.shims, 'length') })
  if (route.kind === 'spring')
    return `${units.say(route.spring!.springRate, 'springRate')}${route.shims > 1e-6 ? t('routeTable.withOfShims', { shims: units.say(route.shims, 'length') }) : t('routeTable.noShims')}`
  const moved = `${units.say(Math.abs(route.further), 'length')} ${route.further < 0 ? 'out' : t('routeTable.furtherIn')}`
  // Where the plug ends is given, and what it opens at follows.
  return route.kind === 'flush' || route.kind === 'spring-flush'
    ? t('routeTable.opensAt', { moved, opens: units.say(route.opens, 'pressure', units.fine) })
    : moved
}
</script>

<template>
  <ResultTable
    :rows="routes"
    :label="t('routeTable.waysToTheWantedPressure')"
    :attributes="(each) => ({ 'data-route': nameOf(each), class: { chosen: route === each } })"
  >
    <Column :header="t('routeTable.way')"
      ><template #body="{ data }"
        >{{ title(data) }}<span class="under">{{ what(data) }}</span
        ><span v-if="data.against.length > 0" class="against">{{
          objectionWords(data.kind, data.against)
        }}</span></template
      ></Column
    ><Column
      field="fullFlow"
      :header="t('routeTable.fullFlow', { unit: units.unit('pressure').symbol })"
      body-class="figures"
      sortable
      ><template #body="{ data }">{{ p(data.fullFlow) }}</template></Column
    ><Column
      field="override"
      :header="t('routeTable.override', { unit: units.unit('pressure').symbol })"
      body-class="figures"
      sortable
      ><template #body="{ data }">{{ p(data.override) }}</template></Column
    ><Column
      field="bindMargin"
      :header="t('routeTable.beforeBind', { unit: units.unit('length').symbol })"
      body-class="figures"
      sortable
      ><template #body="{ data }"
        ><span :class="{ bad: data.bindMargin < 0 }">{{
          data.bindMargin === undefined ? '·' : units.show(data.bindMargin, 'length')
        }}</span></template
      ></Column
    ><Column field="stress" :header="t('routeTable.wireOfWhatItBears')" body-class="figures" sortable
      ><template #body="{ data }"
        ><span :class="{ bad: data.stress > 1 }">{{
          data.stress === undefined ? '·' : `${Math.round(100 * data.stress)} %`
        }}</span></template
      ></Column
    ><Column field="reversible" :header="t('routeTable.back')"
      ><template #body="{ data }">{{ data.reversible ? 'yes' : 'no' }}</template></Column
    ><Column
      ><template #header
        ><span class="hidden-but-read">{{ t('routeTable.choose') }}</span></template
      ><template #body="{ data }"
        ><Button
          v-if="data.kind === 'shims' || data.kind === 'spring'"
          type="button"
          variant="outlined"
          :aria-pressed="route === data"
          @click="emit('choose', routeKey(data))"
          >{{ route === data ? 'chosen' : 'choose' }}</Button
        ></template
      ></Column
    >
  </ResultTable>
</template>

<style scoped>
:deep(.chosen td:first-child) {
  box-shadow: inset 3px 0 0 var(--petrol);
}
:deep(tbody td:first-child) {
  padding-left: 10px !important;
}
.against {
  display: block;
  color: var(--watch);
  font-weight: 400;
}
.bad {
  color: var(--stop);
  font-weight: 700;
}
</style>
