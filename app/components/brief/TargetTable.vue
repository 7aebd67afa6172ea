<script setup lang="ts">
import { oilAt } from '#core/oil/oil'
import { rodFeed as feedOf } from '#core/outlook/feed'
import { namedStates, STATE_LABELS } from '#core/outlook/states'
import { bearingsOf } from '#core/parts/clearances'
import { oilOf } from '#core/record/oil'
import { SCHOOLS } from '#core/record/words'
import { schools } from '#core/targets/targets'

/** What each school asks for at the four states, side by side, and which of them governs. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const sheet = computed(() => build.sheet!)

const SCHOOL_WORDS = {
  auto: 'Maker, else the highest',
  maker: 'Maker’s limits',
  'per-thousand': 'Ten psi per thousand rpm',
  'rod-feed': 'Rod feed',
  own: 'Your own numbers',
} as const
const SCHOOL_SHORT = {
  maker: 'maker',
  'per-thousand': 'per thousand',
  'rod-feed': 'rod feed',
  own: 'your own',
  house: 'house floor',
} as const
const oil = computed(() => oilOf(sheet.value))
const rows = computed(() => {
  const largest = Math.max(...bearingsOf(sheet.value, 'main').map((record) => record.diameter))
  return namedStates(sheet.value).map((state) => ({
    state,
    said: schools(sheet.value, state, largest, oilAt(oil.value, state.temperature).density),
    target: outlook.now?.states.find((each) => each.name === state.name)?.target,
  }))
})
const rodFeed = computed(() => {
  const { pressure, speed } = feedOf(sheet.value)
  return `Rods need ${units.say(pressure, 'pressure', units.fine)} at the gallery to be fed at ${units.say(speed, 'speed')}.`
})
function choose(path: string, value: unknown, label: string) {
  void build.change([{ op: 'replace', path, value }], label)
}
</script>

<template>
  <section class="block">
    <div class="block-head">
      <h2>Targets</h2>
      <span class="quiet"
        >Governed by
        <ChoiceField
          label="Governed by"
          quiet
          :value="sheet.school"
          :options="
            SCHOOLS.map((school) => ({
              value: school,
              words:
                school === 'auto'
                  ? `House: ${SCHOOL_WORDS[sheet.house?.school ?? 'auto'].replace(/^./, (letter) => letter.toLowerCase())}`
                  : SCHOOL_WORDS[school],
            }))
          "
          @choose="choose('/school', $event, 'Governing school')"
      /></span>
    </div>
    <div class="drawing-scroll">
      <table class="targets">
        <thead>
          <tr>
            <th scope="col">At least, {{ units.unit('pressure').symbol }}</th>
            <th v-for="(words, school) in SCHOOL_SHORT" :key="school" scope="col">{{ words }}</th>
            <th scope="col">target</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.state.name" :data-target="row.state.name">
            <th scope="row">
              {{ STATE_LABELS[row.state.name] }}&ensp;<span class="quiet">{{
                units.say(row.state.speed, 'speed')
              }}</span>
            </th>
            <td
              v-for="(_, school) in SCHOOL_SHORT"
              :key="school"
              class="mono"
              :class="{ governs: row.target?.school === school }"
            >
              {{ row.said[school] === undefined ? '·' : units.show(row.said[school]!, 'pressure') }}
            </td>
            <td class="mono target">
              {{
                row.target
                  ? `${units.show(row.target.least, 'pressure')} to ${units.show(row.target.most, 'pressure')}`
                  : ''
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet reason">{{ rodFeed }} The maker’s manual stands above Uldo.</p>
  </section>
</template>

<style scoped>
.targets {
  width: 100%;
  border-collapse: collapse;
}
.targets th,
.targets td {
  text-align: right;
  padding: 9px 8px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
.targets thead th {
  color: var(--quiet);
  border-top: 0;
}
.targets th:first-child {
  text-align: left;
  padding-left: 0;
}
.targets tbody th {
  font-weight: 600;
}
.targets td {
  font-size: 16px;
  color: var(--quiet);
}
.targets .governs {
  color: var(--ink);
  font-weight: 700;
  text-decoration: underline 2px var(--petrol);
  text-underline-offset: 5px;
}
.targets .target {
  color: var(--ink);
  white-space: nowrap;
}
.reason {
  padding-top: 8px;
}
</style>
