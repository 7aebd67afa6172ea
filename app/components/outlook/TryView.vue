<script setup lang="ts">
import { STATE_LABELS } from '#core/outlook/states'
import type { ShelfItem } from '#core/shelf/schema'
import { STATE_NAMES } from '#core/targets/targets'
import { triedPatch } from '~/composables/triedPatch'
import { MOST_TRIED, TRIED_COLOURS, type TriedDraft } from '~/composables/useTried'

/** A bench copy of the build: anything may be tried without touching the record, up to four set-ups side by side; one is adopted with its reason. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const { drafts, add, columns, itemOf, changeOf, sliders, triable, extra, others, options, price } = useTried()

const reason = ref('')
const adopted = ref('')
async function adopt(draft: TriedDraft) {
  const parts = [draft.spring, draft.pump, draft.oil]
    .map(itemOf)
    .filter((item): item is ShelfItem => item !== undefined)
  const patch = triedPatch(build.sheet!, draft, changeOf(draft), itemOf)
  if (patch.length === 0)
    return void (adopted.value = 'Nothing of it can be written: other clearances are shells to be chosen and measured.')
  await build.change(
    patch,
    `Set-up ${draft.name}`,
    reason.value.trim() || `tried as ${draft.name}`,
    parts.map((item) => ({ item: item.id, move: 'reserve' as const, count: 1 })),
  )
  adopted.value = `Set-up ${draft.name} is written to the record${parts.length > 0 ? ', its parts set aside on the shelf' : ''}${draft.mains || draft.rods ? '; its clearances are not: choose shells for them' : ''}. One undo takes it back.`
}
</script>

<template>
  <div>
    <p class="quiet words">Nothing here touches the record until a set-up is adopted.</p>
    <div class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="hidden-but-read">What</span></th>
            <th v-for="(column, i) in columns" :key="column.name" scope="col">
              <span class="key" :style="{ background: TRIED_COLOURS[i] }" />{{ column.name }}
              <button
                v-if="'draft' in column && drafts.length > 1"
                type="button"
                class="small"
                :aria-label="`Drop ${column.name}`"
                @click="drafts = drafts.filter(({ name }) => name !== column.name)"
              >
                drop
              </button>
            </th>
            <th v-if="drafts.length < MOST_TRIED" scope="col">
              <Button type="button" variant="outlined" @click="add">Another</Button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="kind in ['spring', 'oil', 'pump'] as const" :key="kind">
            <th scope="row">{{ kind.replace(/^./, (letter) => letter.toUpperCase()) }}</th>
            <td />
            <td v-for="draft in drafts" :key="draft.name">
              <ChoiceField
                :label="`${draft.name}, ${kind}`"
                quiet
                :value="draft[kind]"
                :options="options(kind)"
                @choose="draft[kind] = $event"
              />
            </td>
          </tr>
          <tr v-for="slider in sliders" :key="slider.field">
            <th scope="row">{{ slider.label }}</th>
            <td class="mono">{{ slider.now === undefined ? '' : units.show(slider.now, slider.dimension) }}</td>
            <TriedSlider
              v-for="draft in drafts"
              :key="draft.name"
              :from="slider.from"
              :to="slider.to"
              :step="slider.step"
              :dimension="slider.dimension"
              :label="`${draft.name}, ${slider.label}`"
              :value="draft[slider.field] ?? slider.now ?? 0"
              @slide="draft[slider.field] = $event"
            />
          </tr>
          <tr v-for="each in others" :key="each.key">
            <th scope="row">{{ each.label }}</th>
            <td class="mono">{{ units.show(each.value, each.dimension) }}</td>
            <TriedSlider
              v-for="draft in drafts"
              :key="draft.name"
              :label="`${draft.name}, ${each.label}`"
              :value="draft.readings[each.key] ?? each.value"
              :from="each.from"
              :to="each.to"
              :step="(each.to - each.from) / 200"
              :dimension="each.dimension"
              @slide="draft.readings[each.key] = $event"
            />
          </tr>
          <tr>
            <th scope="row" :colspan="drafts.length + 2">
              <ChoiceField
                label="Try something else too"
                quiet
                value="none"
                :options="[
                  { value: 'none', words: 'something else too' },
                  ...triable.map(({ key, label }) => ({ value: key, words: label })),
                ]"
                @choose="extra = [...extra, $event]"
              />
            </th>
          </tr>
          <tr v-for="state in STATE_NAMES" :key="state" :data-row="state">
            <th scope="row">{{ STATE_LABELS[state] }}</th>
            <td v-for="column in columns" :key="column.name" class="mono" :class="column.found.states[state].verdict">
              <span class="big">{{
                units.show(column.found.states[state].pressure, 'pressure', units.fine)
              }}</span><span class="quiet band"
                >{{ units.show(column.found.states[state].low, 'pressure') }} to
                {{ units.show(column.found.states[state].high, 'pressure') }}</span
              >
            </td>
          </tr>
          <tr data-row="power">
            <th scope="row">Drive, working hot</th>
            <td v-for="column in columns" :key="column.name" class="mono">
              {{ units.say(column.found.power.best, 'power')
              }}<span class="quiet band"
                >{{ units.show(column.found.power.low, 'power') }} to
                {{ units.show(column.found.power.high, 'power') }}</span
              >
            </td>
          </tr>
          <tr>
            <th scope="row">Parts</th>
            <td />
            <td v-for="draft in drafts" :key="draft.name" class="mono">
              {{ price(draft) ? price(draft).toFixed(2) : '·' }}
            </td>
          </tr>
          <tr>
            <th scope="row">
              <InputText v-model="reason" maxlength="200" placeholder="why" aria-label="Reason for adopting" />
            </th>
            <td />
            <td v-for="draft in drafts" :key="draft.name">
              <Button type="button" :aria-label="`Adopt ${draft.name}`" @click="adopt(draft)">Adopt</Button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="adopted" class="adopted" role="status">{{ adopted }}</p>
    <TriedChart v-if="columns.length > 0" :columns="columns" />
  </div>
</template>

<style scoped>
.words {
  padding-bottom: 6px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td,
:deep(td) {
  text-align: right;
  padding: 3px 0 3px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: middle;
}
thead th {
  border: 0;
  font-weight: 650;
  white-space: nowrap;
}
th:first-child {
  text-align: left;
  padding-left: 0;
  min-width: 132px;
}
.key {
  display: inline-block;
  width: 14px;
  height: 4px;
  margin-right: 6px;
  vertical-align: middle;
}
.big {
  font-size: 19px;
}
.band {
  display: block;
  font-size: 12.5px;
  white-space: nowrap;
}
td.stop .big {
  color: var(--stop);
}
td.watch .big {
  color: var(--watch);
}
.small {
  border: 0;
  background: none;
  color: var(--petrol);
  min-height: 32px;
  cursor: pointer;
}
td :deep(.choice) {
  max-width: 150px;
}
.p-inputtext {
  height: 44px;
  width: 130px;
  font-size: 15px;
}
.adopted {
  border-left: 6px solid var(--pass);
  padding: 6px 12px;
  margin: 8px 0;
}
.wrong {
  color: var(--stop);
}
</style>
