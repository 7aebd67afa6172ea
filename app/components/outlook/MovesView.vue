<script setup lang="ts">
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
  main: 'mains',
  rod: 'rods',
  oil: 'oil',
  pump: 'the pump',
  relief: 'the relief spring',
  relief2: 'the relief spring',
  cam: 'cam bearings',
  pickup: 'the pickup',
}
const kindOf = (part: string) => KINDS[part] ?? 'restrictors and jets'
function setBy(state: 'idleHot' | 'workingHot'): string {
  const sorted = [...(moves.value ?? [])].sort((a, b) => Math.abs(b.effects[state]) - Math.abs(a.effects[state]))
  const first = Math.abs(sorted[0]?.effects[state] ?? 0)
  const kinds = [
    ...new Set(sorted.filter(({ effects }) => Math.abs(effects[state]) > 0.4 * first).map(({ part }) => kindOf(part))),
  ].slice(0, 3)
  return kinds.length > 1 ? `${kinds.slice(0, -1).join(', ')} and ${kinds.at(-1)}` : (kinds[0] ?? 'nothing')
}
const best = computed(() => next.value?.slice(0, 6) ?? [])
function go(key: string) {
  void goToReading(router, build.id!, quantityAt(build.sheet!, key))
}
</script>

<template>
  <div>
    <p v-if="moves" class="sentence" data-testid="sentence">
      The floor at hot idle is set by <b>{{ setBy('idleHot') }}</b>; the ceiling at working speed by
      <b>{{ setBy('workingHot') }}</b>.
    </p>
    <div class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">One step of each, {{ units.unit('pressure').symbol }}</th>
            <th v-for="state in STATE_NAMES" :key="state" scope="col">{{ STATE_LABELS[state].toLowerCase() }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="move in moves ?? []" :key="move.key" :data-move="move.key">
            <th scope="row">{{ move.label }}</th>
            <td v-for="state in STATE_NAMES" :key="state" class="mono">
              <span class="bar" aria-hidden="true"
                ><i
                  :class="move.effects[state] < 0 ? 'down' : 'up'"
                  :style="{ width: `${(50 * Math.abs(move.effects[state])) / most}%` }" /></span
              >{{ signed(move.effects[state]) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <section class="block" aria-label="Next measurement">
      <h2>Worth measuring next</h2>
      <p v-if="next && best.length === 0" class="quiet">Nothing that can be measured is still assumed.</p>
      <div v-for="(each, i) in best" :key="each.key" class="row">
        <span class="what"
          ><b v-if="i === 0">{{ each.label }}</b
          ><template v-else>{{ each.label }}</template
          ><span class="origin"
            >about {{ each.minutes }} min, takes
            {{ each.narrows < 0.01 ? 'less than 1' : Math.round(100 * each.narrows) }} in 100 off the hot idle
            band</span
          ></span
        ><Button
          type="button"
          :variant="i === 0 ? undefined : 'outlined'"
          :aria-label="`Measure ${each.label}`"
          @click="go(each.key)"
          >Measure</Button
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
table {
  width: 100%;
  border-collapse: collapse;
  min-width: 620px;
}
th,
td {
  text-align: right;
  padding: 8px 0 8px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  border: 0;
  color: var(--quiet);
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
td {
  width: 108px;
  font-size: 16px;
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
