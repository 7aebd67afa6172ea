<script setup lang="ts">
import { type Route, routeKey } from '#core/relief/routes'
import { objectionWords } from '~/words/relief'

/** Every way to a wanted opening pressure side by side; of those with shims or a spring one is chosen. */
const { routes, route } = defineProps<{ routes: readonly Route[]; route?: Route }>()
const emit = defineEmits<{ choose: [string] }>()
const units = useUnits()
const titles: Record<Route['kind'], string> = {
  shims: 'Shims',
  spring: 'Spring',
  plug: 'Plug',
  flush: 'Plug flush',
  'spring-plug': 'Spring and plug',
  'spring-flush': 'Spring, plug flush',
  cap: 'Deformed cap',
}
/** A spring by its label, with what is done to the plug beside it. */
function title({ kind, spring }: Route): string {
  if (!spring) return titles[kind]
  return kind === 'spring-plug'
    ? `${spring.label}, plug moved`
    : kind === 'spring-flush'
      ? `${spring.label}, plug flush`
      : spring.label
}
const p = (value: number | undefined) => (value === undefined ? '·' : units.show(value, 'pressure', units.fine))
function what(route: Route): string {
  if (route.kind === 'shims') return `${units.say(route.shims, 'length')} in all under the fitted spring`
  if (route.kind === 'spring')
    return `${units.say(route.spring!.springRate, 'springRate')}${route.shims > 1e-6 ? `, with ${units.say(route.shims, 'length')} of shims` : ', no shims'}`
  const moved = `${units.say(Math.abs(route.further), 'length')} ${route.further < 0 ? 'out' : 'further in'}`
  // Where the plug ends is given, and what it opens at follows.
  return route.kind === 'flush' || route.kind === 'spring-flush'
    ? `${moved}: opens at ${units.say(route.opens, 'pressure', units.fine)}`
    : moved
}
</script>

<template>
  <div class="drawing-scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Way</th>
          <th scope="col">full flow</th>
          <th scope="col">override</th>
          <th scope="col">before bind</th>
          <th scope="col">wire</th>
          <th scope="col">back</th>
          <th scope="col"><span class="hidden-but-read">Choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="each in routes"
          :key="routeKey(each)"
          :class="{ chosen: route === each }"
          :data-route="
            each.kind === 'spring' ? each.spring!.label : each.spring ? `${each.kind} ${each.spring.label}` : each.kind
          "
        >
          <th scope="row">
            {{ title(each) }}<span class="quiet">{{ what(each) }}</span
            ><span v-if="each.against.length > 0" class="against">{{ objectionWords(each.kind, each.against) }}</span>
          </th>
          <td class="mono">{{ p(each.fullFlow) }}</td>
          <td class="mono">{{ p(each.override) }}</td>
          <td class="mono" :class="{ bad: each.bindMargin !== undefined && each.bindMargin < 0 }">
            {{ each.bindMargin === undefined ? '·' : units.show(each.bindMargin, 'length') }}
          </td>
          <td class="mono" :class="{ bad: (each.stress ?? 0) > 1 }">
            {{ each.stress === undefined ? '·' : `${Math.round(100 * each.stress)} %` }}
          </td>
          <td>{{ each.reversible ? 'yes' : 'no' }}</td>
          <td>
            <Button
              v-if="each.kind === 'shims' || each.kind === 'spring'"
              type="button"
              variant="outlined"
              :aria-pressed="route === each"
              @click="emit('choose', routeKey(each))"
              >{{ route === each ? 'chosen' : 'choose' }}</Button
            >
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td />
          <td>{{ units.unit('pressure').symbol }}</td>
          <td>{{ units.unit('pressure').symbol }}</td>
          <td>{{ units.unit('length').symbol }}</td>
          <td>of what it bears</td>
          <td />
          <td />
        </tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 6px 0 6px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
thead th,
tfoot td {
  color: var(--quiet);
  border: 0;
  padding-block: 2px;
}
th:first-child {
  text-align: left;
  padding-left: 8px;
  line-height: 1.3;
}
tbody th {
  font-weight: 650;
}
tbody th .quiet {
  display: block;
  font-weight: 400;
}
.against {
  display: block;
  color: var(--watch);
  font-weight: 400;
}
td.mono {
  font-size: 17px;
}
.chosen th {
  box-shadow: inset 3px 0 0 var(--petrol);
}
.bad {
  color: var(--stop);
  font-weight: 700;
}
</style>
