<script setup lang="ts">
import { SHELF_FIELDS, type ShelfField, type ShelfKind } from '#core/shelf/fields'
import type { ShelfEntry, ShelfItem } from '#core/shelf/schema'
import type { ShownItem } from '~/stores/shelf'
import { shrinkShelfPhoto } from '~/composables/photo'

/** Lines of one kind: every figure can be written where it stands. */
const { kind, items } = defineProps<{ kind: ShelfKind; items: ShownItem[] }>()
const shelf = useShelf()
const units = useUnits()
const person = usePerson()
const fields = computed(() => SHELF_FIELDS[kind])
const unit = (field: ShelfField) =>
  field.type === 'quantity' ? units.unit(field.dimension).symbol : field.type === 'number' ? field.unit : ''
const problem = ref('')
async function write(item: ShelfItem, change: Partial<ShelfEntry>) {
  problem.value = ''
  await shelf.write(item, change)
}
function price(item: ShelfItem, text: string) {
  const value = Number(text.replace(',', '.'))
  if (!(value >= 0)) return void (problem.value = `${item.label}: “${text}” is no price.`)
  void write(item, { price: text === '' ? undefined : value })
}
function count(item: ShelfItem, typed: string) {
  if (!/^\d{1,4}$/.test(typed)) return void (problem.value = `${item.label}: a count is a whole number from 0 to 9999.`)
  void write(item, { count: Number(typed) })
}
const gone = ref<ShelfItem>()
</script>

<template>
  <div class="drawing-scroll">
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <table v-if="items.length > 0">
      <thead>
        <tr>
          <th scope="col">Label</th>
          <th scope="col">Count</th>
          <th v-for="field in fields" :key="field.key" scope="col" class="figure-column">
            {{ field.label }}<span v-if="unit(field)" class="quiet">{{ unit(field) }}</span>
          </th>
          <th scope="col">For</th>
          <th scope="col">Place</th>
          <th scope="col">Price</th>
          <th scope="col"><span class="hidden-but-read">Photo and removal</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in items" :key="item.id" :data-item="item.label">
          <th scope="row">
            <DraftInput
              class="label"
              :value="item.label"
              :aria-label="`Label of ${item.label}`"
              maxlength="80"
              @write="write(item, { label: $event })"
            /><span v-if="item.note" class="quiet note">{{ item.note }}</span>
          </th>
          <td>
            <DraftInput
              class="count mono"
              inputmode="numeric"
              :value="item.count"
              :aria-label="`${item.label}, count`"
              @write="count(item, $event)"
            /><span v-if="item.reserved > 0" class="quiet reserved">{{ item.reserved }} set aside</span
            ><span v-if="item.onItsWay" class="quiet reserved">on its way</span>
          </td>
          <td v-for="field in fields" :key="field.key" class="figure-column">
            <ShelfFigure :item="item" :field="field" @problem="problem = $event" />
          </td>
          <td>
            <DraftInput
              class="words"
              :value="item.engine"
              placeholder="any"
              :aria-label="`${item.label}, engine`"
              maxlength="120"
              @write="write(item, { engine: $event })"
            />
          </td>
          <td>
            <DraftInput
              class="words"
              :value="item.place"
              :aria-label="`${item.label}, place`"
              maxlength="80"
              @write="write(item, { place: $event })"
            />
          </td>
          <td>
            <DraftInput
              class="mono small"
              inputmode="decimal"
              :value="item.price ?? ''"
              :aria-label="`${item.label}, price`"
              @write="price(item, $event)"
            />
          </td>
          <td class="tools">
            <a v-if="item.photo" :href="`/api/shelf/photos/${item.photo}`" target="_blank"
              ><img
                :src="`/api/shelf/photos/${item.photo}`"
                :alt="`Photo of ${item.label}`"
                width="40"
                height="40"
                loading="lazy"
            /></a>
            <AddPhoto
              :of="item.label"
              :keep="(file) => shrinkShelfPhoto(file, person.who)"
              @kept="write(item, { photo: $event })"
              @problem="problem = $event"
            />
            <button
              v-if="gone?.id !== item.id"
              type="button"
              class="tool"
              :aria-label="`Remove ${item.label}`"
              @click="gone = item"
            >
              Remove
            </button>
            <button
              v-else
              type="button"
              class="tool sure"
              :aria-label="`Sure? Remove ${item.label}`"
              @click="shelf.remove(item)"
            >
              Sure?
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th,
td {
  text-align: left;
  padding: 1px 4px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  height: 46px;
}
thead th {
  border: 0;
  color: var(--quiet);
  vertical-align: bottom;
  line-height: 1.2;
  height: auto;
  padding-bottom: 4px;
}
thead .quiet {
  display: block;
  font-size: 13px;
}
thead .figure-column {
  text-align: right;
}
.figure-column {
  text-align: right;
}
input {
  height: 44px;
  border: 1px solid transparent;
  border-bottom: 1px dashed transparent;
  background: transparent;
  padding: 0 6px;
  border-radius: 3px;
  width: 100%;
  font-size: 16px;
}
input:hover {
  border-color: var(--field);
}
input:focus {
  border: 2px solid var(--petrol);
  outline: none;
  background: var(--sheet);
}
.label {
  font-weight: 650;
  min-width: 136px;
}
.note {
  display: block;
  padding: 0 6px 4px;
  font-size: 14px;
}
.count {
  width: 62px;
  text-align: right;
  font-size: 18px;
  border-bottom-color: var(--field);
}
.reserved {
  display: block;
  font-size: 13px;
  white-space: nowrap;
}
.small {
  width: 74px;
  text-align: right;
}
select {
  width: 62px;
}
.words {
  min-width: 84px;
}
.tools {
  display: flex;
  align-items: center;
  gap: 2px;
  white-space: nowrap;
}
.tool {
  min-height: 44px;
  padding: 0 6px;
  border: 0;
  background: none;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
  display: inline-flex;
  align-items: center;
}
.sure {
  color: var(--stop);
}
img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
}
.wrong {
  color: var(--stop);
}
</style>
