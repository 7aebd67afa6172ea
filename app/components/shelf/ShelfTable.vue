<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { named } from '~/words/speak'
import { t } from '~/words/of/shelf'
import ConfirmationService from 'primevue/confirmationservice'
import { useConfirm } from 'primevue/useconfirm'
import { KIND_WORDS, SHELF_FIELDS, type ShelfField, type ShelfKind } from '#core/shelf/fields'
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
  if (!(value >= 0)) return void (problem.value = t('shelfTable.isNoPrice', { item: named(item.label), text }))
  void write(item, { price: text === '' ? undefined : value })
}
function count(item: ShelfItem, typed: string) {
  if (!/^\d{1,4}$/.test(typed)) return void (problem.value = t('shelfTable.enter0To9999', { item: named(item.label) }))
  void write(item, { count: Number(typed) })
}
// Comes with the first shelf, and not with the first screen.
const { vueApp } = useNuxtApp()
if (!vueApp.config.globalProperties.$confirm) vueApp.use(ConfirmationService)
const confirm = useConfirm()
/** Asks beside the button: a drawer's line does not come back by undo. */
function askToRemove(item: ShownItem, { currentTarget }: Event) {
  confirm.require({
    target: currentTarget as HTMLElement,
    message: t('shelfTable.inTheDrawerItsLineDoes', { item: named(item.label), count: item.count }),
    acceptProps: { label: t('shelfTable.removeTheLine'), severity: 'danger' },
    rejectProps: { label: t('shelfTable.keepIt'), variant: 'outlined' },
    defaultFocus: 'reject',
    accept: () => void shelf.remove(item),
  })
}
/** Of a long list only the rows in sight are made. */
const LONG = 60
const ROW = 70
const printing = usePrinting()
const long = computed(() =>
  items.length > LONG && !printing.value
    ? { scrollable: true, scrollHeight: 'calc(100dvh - 260px)', virtualScrollerOptions: { itemSize: ROW } }
    : {},
)
</script>

<template>
  <div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <ResultTable
      v-if="items.length > 0"
      class="shelf-items"
      :rows="items"
      :label="named(KIND_WORDS[kind].many)"
      :attributes="(item) => ({ 'data-item': item.label })"
      v-bind="long"
      data-key="id"
    >
      <Column field="label" :header="t('shelfTable.label')" sortable
        ><template #body="{ data }"
          ><DraftInput
            class="label"
            :value="data.label"
            :aria-label="t('shelfTable.labelOf', { data: named(data.label) })"
            maxlength="80"
            @write="write(data, { label: $event })"
          /><span v-if="data.note" class="note under" v-tip="data.note">{{ data.note }}</span></template
        ></Column
      ><Column field="count" :header="t('shelfTable.count')" sortable
        ><template #body="{ data }"
          ><DraftInput
            class="count mono"
            inputmode="numeric"
            :value="data.count"
            :aria-label="t('shelfTable.count2', { data: named(data.label) })"
            @write="count(data, $event)"
          /><span v-if="data.reserved > 0" class="under reserved">{{
            t('shelfTable.setAside', { reserved: data.reserved })
          }}</span
          ><span v-if="data.onItsWay" class="under reserved">{{ t('shelfTable.onItsWay') }}</span></template
        ></Column
      ><Column
        v-for="field in fields"
        :key="field.key"
        :field="`properties.${field.key}`"
        :header="unit(field) ? `${named(field.label)}, ${unit(field)}` : named(field.label)"
        sortable
        ><template #body="{ data }"
          ><ShelfFigure :item="data" :field="field" @problem="problem = $event" /></template></Column
      ><Column field="engine" :header="t('shelfTable.for')" class="words" sortable
        ><template #body="{ data }"
          ><DraftInput
            class="text"
            :value="data.engine"
            :placeholder="t('shelfTable.any')"
            :aria-label="t('shelfTable.engine', { data: named(data.label) })"
            maxlength="120"
            @write="write(data, { engine: $event })" /></template></Column
      ><Column field="place" :header="t('shelfTable.place')" class="words" sortable
        ><template #body="{ data }"
          ><DraftInput
            class="text"
            :value="data.place"
            :aria-label="t('shelfTable.place2', { data: named(data.label) })"
            maxlength="80"
            @write="write(data, { place: $event })" /></template></Column
      ><Column field="price" :header="t('shelfTable.price')" sortable
        ><template #body="{ data }"
          ><DraftInput
            class="mono small"
            inputmode="decimal"
            :value="data.price ?? ''"
            :aria-label="t('shelfTable.price2', { data: named(data.label) })"
            @write="price(data, $event)" /></template></Column
      ><Column
        ><template #header
          ><span class="hidden-but-read">{{ t('shelfTable.photoAndRemoval') }}</span></template
        ><template #body="{ data }"
          ><span class="tools"
            ><a v-if="data.photo" :href="`/api/shelf/photos/${data.photo}`" target="_blank"
              ><img
                :src="`/api/shelf/photos/${data.photo}`"
                :alt="t('shelfTable.photoOf', { data: named(data.label) })"
                width="40"
                height="40"
                loading="lazy" /></a
            ><AddPhoto
              :of="named(data.label)"
              :keep="(file) => shrinkShelfPhoto(file, person.who)"
              @kept="write(data, { photo: $event })"
              @problem="problem = $event"
            /><Button
              type="button"
              variant="text"
              :aria-label="t('shelfTable.remove', { data: named(data.label) })"
              @click="askToRemove(data, $event)"
              >{{ t('shelfTable.remove2') }}</Button
            ></span
          ></template
        ></Column
      >
    </ResultTable>
    <ConfirmPopup />
  </div>
</template>

<style scoped>
.p-inputtext {
  height: 44px;
  border-color: transparent;
  border-bottom: 1px dashed transparent;
  background: transparent;
  padding: 0 6px;
  width: 100%;
  font-size: 16px;
}
.p-inputtext:hover {
  border-color: var(--field);
}
.p-inputtext:focus {
  background: var(--sheet);
  border-color: var(--petrol);
}
.label {
  font-weight: 650;
  min-width: 190px;
}
.note {
  padding: 0 6px 4px;
  max-width: 180px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.count {
  width: 62px;
  text-align: right;
  font-size: 18px;
  border-bottom-color: var(--field);
}
.reserved {
  white-space: nowrap;
}
.small {
  width: 74px;
  text-align: right;
}
/* Rows keep their height when a word comes under a figure, and are as high as the virtual ones are taken to be. */
:deep(.p-datatable-tbody > tr > td) {
  vertical-align: middle;
  height: 70px;
  padding-block: 2px;
}
.text {
  min-width: 116px;
}
.tools {
  display: flex;
  align-items: center;
  gap: 2px;
  white-space: nowrap;
}
img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
}
.wrong {
  color: var(--stop);
}
@media print {
  .p-inputtext {
    min-width: 0;
    font-size: 13px;
    height: auto;
    padding: 0;
  }
}
</style>
