<script setup lang="ts">
import type { PassageItem } from '#core/parts/passage'
import type { passageEffects } from '#core/outlook/passages'
import { STATE_LABELS } from '#core/outlook/states'
import { STATE_NAMES } from '#core/targets/targets'

/** What the gauge would say with a passage wrong, in each way that it can be, at every state. */
const { item, effects, found, words } = defineProps<{
  item: PassageItem
  effects: ReturnType<typeof passageEffects>
  /** The finding on record. */
  found?: string
  words: (finding: string) => string
}>()
const units = useUnits()
const rows = computed(() => effects.effects.filter((each) => each.key === item.key))
const p = (value: number) => units.show(value, 'pressure', units.fine)
</script>

<template>
  <template v-if="rows.length > 0">
    <h3>{{ item.kind === 'bypass' ? 'What the gauge would say, as it stands' : 'Left out, the gauge would say' }}</h3>
    <table data-testid="effects">
      <thead>
        <tr>
          <th scope="col">{{ units.unit('pressure').symbol }}</th>
          <th v-for="state in STATE_NAMES" :key="state" scope="col">{{ STATE_LABELS[state].toLowerCase() }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-if="item.kind !== 'bypass'">
          <th scope="row">now</th>
          <td v-for="state in STATE_NAMES" :key="state" class="mono">{{ p(effects.now[state].pressure) }}</td>
        </tr>
        <tr
          v-for="each in rows"
          :key="each.finding"
          :data-effect="each.finding"
          :class="{ own: found === each.finding }"
        >
          <th scope="row">{{ words(each.finding) }}</th>
          <td v-for="state in STATE_NAMES" :key="state" class="mono" :class="each.states[state].verdict">
            {{ p(each.states[state].pressure)
            }}<span class="band"
              >{{ units.show(each.states[state].low, 'pressure') }} to
              {{ units.show(each.states[state].high, 'pressure') }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </template>
</template>

<style scoped>
h3 {
  font-size: 15px;
  margin-top: 14px;
}
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
}
th,
td {
  text-align: right;
  padding: 5px 0 5px 8px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: baseline;
  line-height: 1.25;
}
thead th {
  border: 0;
  color: var(--quiet);
  font-size: 14px;
}
th:first-child {
  text-align: left;
  padding-left: 0;
  width: 78px;
}
td {
  font-size: 16px;
}
td.stop {
  color: var(--stop);
  font-weight: 700;
}
.band {
  display: block;
  font-size: 12px;
  color: var(--quiet);
  font-weight: 400;
  white-space: nowrap;
}
.own th {
  font-weight: 700;
}
</style>
