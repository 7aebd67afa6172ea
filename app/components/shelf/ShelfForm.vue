<script setup lang="ts">
import { parseQuantity } from '#core/quantity/parse'
import { KIND_WORDS, type Properties, SHELF_FIELDS, type ShelfKind } from '#core/shelf/fields'
import { propertyFaults } from '#core/shelf/faults'

/** Something new for the shelf: what it is called, how many, and its measured properties; what is wrong is said at its field, and kept. */
const { kind } = defineProps<{ kind: ShelfKind }>()
const emit = defineEmits<{ close: [] }>()
const shelf = useShelf()
const units = useUnits()
const fields = computed(() => SHELF_FIELDS[kind])
const text = reactive<Record<string, string>>({})
const problems = ref<Record<string, string>>({})
watch(
  () => kind,
  () => {
    for (const key of Object.keys(text)) delete text[key]
    problems.value = {}
  },
)
async function put() {
  const found: Record<string, string> = {}
  const properties: Properties = {}
  for (const field of fields.value) {
    const typed = (text[field.key] ?? '').trim()
    if (typed === '') continue
    if (field.type === 'quantity') {
      const parsed = parseQuantity(typed, field.dimension, units.unit(field.dimension))
      if (parsed.ok) properties[field.key] = parsed.value
      else found[field.key] = parsed.message
    } else properties[field.key] = field.type === 'number' ? Number(typed.replace(',', '.').replace('−', '-')) : typed
  }
  for (const { key, message } of propertyFaults(fields.value, properties)) found[key] ??= message
  if (!text.label?.trim()) found.label = 'must be given'
  if (!/^\d{1,4}$/.test((text.count ?? '1').trim())) found.count = 'must be a whole number'
  problems.value = found
  if (Object.keys(found).length > 0) return
  await shelf.add({
    kind,
    label: text.label.trim(),
    engine: text.engine?.trim() ?? '',
    count: Number(text.count ?? 1),
    place: text.place?.trim() ?? '',
    note: text.note?.trim() ?? '',
    properties,
  })
  emit('close')
}
const unit = (field: (typeof fields.value)[number]) =>
  field.type === 'quantity' ? units.unit(field.dimension).symbol : field.type === 'number' ? field.unit : ''
const COMMON = [
  ['label', 'Label'],
  ['count', 'Count'],
  ['engine', 'For which engine'],
  ['place', 'Place'],
  ['note', 'Note'],
] as const
</script>

<template>
  <form class="putting" :aria-label="`New ${KIND_WORDS[kind].one}`" @submit.prevent="put">
    <label v-for="[key, title] in COMMON" :key="key"
      >{{ title
      }}<InputText
        v-model="text[key]"
        :placeholder="key === 'count' ? '1' : key === 'engine' ? 'any' : ''"
        :aria-invalid="!!problems[key]"
        :maxlength="key === 'note' ? 300 : 80"
      /><span v-if="problems[key]" class="wrong" role="alert">{{ problems[key] }}</span></label
    >
    <label v-for="field in fields" :key="field.key"
      >{{ field.label }}<span v-if="unit(field)" class="quiet">, {{ unit(field) }}</span>
      <select v-if="field.type === 'choice'" v-model="text[field.key]" :aria-invalid="!!problems[field.key]">
        <option value="" />
        <option v-for="option in field.options" :key="option" :value="option">{{ option }}</option>
      </select>
      <InputText v-else v-model="text[field.key]" :aria-invalid="!!problems[field.key]" autocomplete="off" /><span
        v-if="problems[field.key]"
        class="wrong"
        role="alert"
        >{{ problems[field.key] }}</span
      ></label
    >
    <div class="actions">
      <Button type="submit">Put on the shelf</Button
      ><Button type="button" variant="outlined" @click="emit('close')">Leave it</Button>
    </div>
  </form>
</template>

<style scoped>
.putting {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 10px 16px;
  border-top: 3px solid var(--petrol);
  border-bottom: 1px solid var(--rule);
  padding: 12px 0 16px;
  margin-bottom: 14px;
  align-items: start;
}
label {
  color: var(--quiet);
}
.p-inputtext,
select {
  display: block;
  width: 100%;
  height: 44px;
  font-size: 17px;
  color: var(--ink);
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0 8px;
}
.actions {
  align-self: end;
  grid-column: 1 / -1;
}
.wrong {
  color: var(--stop);
  display: block;
}
</style>
