<script setup lang="ts">
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'

/** What the gauge would say when the engine is worn, its oil thinned, its filter blocked, the day hot: known in advance. */
const build = useBuild()
const units = useUnits()
const settled = useSettled(() => build.sheet)
const { value: found } = useAnswer(
  (_, slow) => (settled.value ? slow().scenarios(settled.value) : undefined),
  () => settled.value,
)
const p = (value: number) => units.show(Math.max(0, value), 'pressure', units.fine)
</script>

<template>
  <div>
    <p class="quiet words">
      A number that comes with age or heat is no fault; one that comes without is. These are this engine’s, in
      {{ units.unit('pressure').symbol }}.
    </p>
    <div class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th v-for="state in STATE_NAMES" :key="state" scope="col">{{ STATE_LABELS[state].toLowerCase() }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in found ?? []" :key="each.key" :data-scenario="each.key">
            <th scope="row">{{ each.label }}</th>
            <td v-for="state in STATE_NAMES" :key="state" class="mono">
              <span :class="each.states[state].verdict" class="value">{{ p(each.states[state].pressure) }}</span><span
                class="quiet band"
                >{{ p(each.states[state].low) }} to {{ p(each.states[state].high) }}</span
              ><span v-if="each.states[state].verdict !== 'pass'" class="word" :class="each.states[state].verdict">{{
                each.states[state].verdict
              }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.words {
  padding-bottom: 8px;
  max-width: 70ch;
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
  vertical-align: baseline;
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
  width: 112px;
}
.value {
  font-size: 19px;
}
.band,
.word {
  display: block;
  font-size: 13px;
  white-space: nowrap;
}
.word {
  font-family: var(--type);
  font-weight: 650;
}
.stop {
  color: var(--stop);
}
.watch {
  color: var(--watch);
}
</style>
