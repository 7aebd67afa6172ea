<script setup lang="ts">
import { pumpDisplacement } from '#core/parts/pumpReadings'
import { STIFFER } from '#core/outlook/pumps'
import { STATE_LABELS } from '#core/outlook/states'
import { fitWarnings } from '#core/shelf/pumpFit'
import { fitWords, pumpTradeWords } from '~/words/pumpFit'
import type { ShelfItem } from '#core/shelf/schema'
import { shelfPump } from '#core/shelf/figures'
import { pumpPatch } from '~/composables/shelfPatch'
import { STATE_NAMES } from '#core/targets/targets'

/** Pumps from the shelf in this engine: what each buys at hot idle, costs at speed, and whether the suction keeps up. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const all = ref(false)
const items = computed(() =>
  all.value ? shelf.items.filter(({ kind }) => kind === 'pump') : shelf.fitting('pump', build.sheet!.engine),
)
const settled = useSettled(() => build.sheet)
const { value: compared } = useAnswer(
  (_, slow) =>
    settled.value && shelf.loaded
      ? slow().pumps(
          settled.value,
          items.value.map((item) => ({ id: item.id, label: item.label, ...shelfPump(item) })),
          {
            label: 'As it is',
            displacement: pumpDisplacement(settled.value).value,
          },
        )
      : undefined,
  () => [settled.value, items.value],
)
const columns = computed(
  () =>
    compared.value?.map((each) => {
      const item = items.value.find(({ id }) => id === each.id)
      return {
        ...each,
        stiffer: each.id === STIFFER,
        item,
        warnings: (item ? fitWarnings(build.sheet!, item) : []).map((each) =>
          fitWords(each, (value) => units.say(value, 'length')),
        ),
        share: item ? shelf.shareOf(build.id, item.id) : undefined,
      }
    }) ?? [],
)
const p = (value: number) => units.show(value, 'pressure', units.fine)
/** How another pump differs from the one that is fitted, in one sentence. */
const sentence = (column: (typeof columns.value)[number]) =>
  pumpTradeWords(column, columns.value[0], column.stiffer, units)
async function fit(item: ShelfItem) {
  const words = (['drive', 'year'] as const).flatMap((key) =>
    item.properties[key]
      ? [{ op: 'add' as const, path: `/choices/pump.${key}`, value: String(item.properties[key]) }]
      : [],
  )
  await build.change(
    [
      ...pumpPatch(build.sheet!, item),
      ...words,
      { op: 'add', path: '/choices/pump.fitted', value: item.label.slice(0, 80) },
    ],
    `Pump ${item.label}`,
    `${item.label} taken from the shelf`,
    [{ item: item.id, move: 'take', count: 1 }],
  )
}
</script>

<template>
  <div>
    <div class="block-head">
      <h2>From the shelf, in this engine</h2>
      <label class="all"><input v-model="all" type="checkbox" /> pumps of other engines too</label>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="shelf.loaded && items.length === 0" class="quiet">
      No pump for {{ build.sheet!.engine }} lies on the shelf.
      <NuxtLink to="/shelf?kind=pump">Put one there</NuxtLink> with its measured gaps.
    </p>
    <ReadOtherwise />
    <div class="drawing-scroll">
      <table v-if="columns.length > 0">
        <thead>
          <tr>
            <th scope="col">{{ units.unit('pressure').symbol }}, at the gauge</th>
            <th v-for="column in columns" :key="column.id ?? 'now'" scope="col">
              {{ column.label }}<span class="quiet">{{ units.say(column.displacement, 'displacement') }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="state in STATE_NAMES" :key="state" :data-row="state">
            <th scope="row">{{ STATE_LABELS[state] }}</th>
            <td v-for="column in columns" :key="column.id ?? 'now'" class="mono">
              <span class="big">{{ p(column.states[state].pressure) }}</span><span class="quiet band"
                >{{ p(column.states[state].low) }} to {{ p(column.states[state].high) }}</span
              >
            </td>
          </tr>
          <tr data-row="power">
            <th scope="row">Drive, working hot</th>
            <td v-for="column in columns" :key="column.id ?? 'now'" class="mono">
              {{ units.say(column.working.power.best, 'power')
              }}<span class="quiet band"
                >{{ units.show(column.working.power.low, 'power') }} to
                {{ units.show(column.working.power.high, 'power') }}</span
              >
            </td>
          </tr>
          <tr v-if="columns.some(({ item }) => item?.price !== undefined)" data-row="price">
            <th scope="row">Price, from the shelf</th>
            <td v-for="column in columns" :key="column.id ?? 'now'" class="mono">{{ column.item?.price ?? '' }}</td>
          </tr>
          <tr data-row="fastest">
            <th scope="row">Suction, maximum speed, hot</th>
            <td
              v-for="column in columns"
              :key="column.id ?? 'now'"
              class="mono"
              :class="{ bad: column.fastest.starves }"
            >
              {{ p(column.fastest.suction.best)
              }}<span class="quiet band"
                >{{ p(column.fastest.suction.low) }} to {{ p(column.fastest.suction.high) }}</span
              >
            </td>
          </tr>
          <tr data-row="coldest">
            <th scope="row">Suction, idle cold</th>
            <td
              v-for="column in columns"
              :key="column.id ?? 'now'"
              class="mono"
              :class="{ bad: column.coldest.starves }"
            >
              {{ p(column.coldest.suction.best)
              }}<span class="quiet band"
                >{{ p(column.coldest.suction.low) }} to {{ p(column.coldest.suction.high) }}</span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <section aria-label="Judgement" class="block">
      <div v-for="column in columns.slice(1)" :key="column.id" class="candidate" :data-pump="column.label">
        <JudgementLine
          :verdict="
            column.fastest.starves || column.coldest.starves ? 'stop' : column.warnings.length > 0 ? 'watch' : 'pass'
          "
          ><b>{{ column.label }}.</b> {{ sentence(column) }}
          <span v-if="column.warnings.length > 0"
            ><br />Before it is fitted: {{ column.warnings.join('; ') }}.</span
          ></JudgementLine
        >
        <NuxtLink v-if="column.stiffer" :to="`/build/${build.id}/relief?view=routes`">Routes</NuxtLink>
        <span v-else-if="build.sheet!.choices['pump.fitted'] === column.label" class="quiet">fitted</span>
        <span v-else class="actions"
          ><Button
            v-if="column.share!.reserved === 0"
            type="button"
            variant="outlined"
            :disabled="column.item!.count - column.item!.reserved < 1"
            @click="shelf.move(build.id!, [{ item: column.item!.id, move: 'reserve', count: 1 }])"
            >Set aside</Button
          ><Button
            type="button"
            :disabled="column.item!.count - column.item!.reserved + column.share!.reserved < 1"
            @click="fit(column.item!)"
            >Take and fit</Button
          ></span
        >
      </div>
      <p class="quiet words">
        A bigger pump raises the floor at hot idle, and pays for it at speed, where the relief valve dumps the surplus.
        A stiffer spring raises the ceiling only.
      </p>
    </section>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
  min-width: 640px;
}
th,
td {
  text-align: right;
  padding: 7px 0 7px 14px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: baseline;
}
thead th {
  border: 0;
  font-weight: 650;
  line-height: 1.2;
}
thead th:first-child {
  color: var(--quiet);
  font-weight: 400;
}
thead .quiet {
  display: block;
  font-weight: 400;
}
th:first-child {
  text-align: left;
  padding-left: 0;
  width: 172px;
}
.big {
  font-size: 19px;
}
.band {
  display: block;
  font-size: 12.5px;
  white-space: nowrap;
}
.wrong,
.bad {
  color: var(--stop);
  font-weight: 700;
}
.candidate {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}
.all {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  color: var(--quiet);
}
.all input {
  width: 20px;
  height: 20px;
  accent-color: var(--petrol);
}
.words {
  padding-top: 10px;
  max-width: 70ch;
}
</style>
