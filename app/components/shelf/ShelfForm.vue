<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/shelf'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { KIND_WORDS, SHELF_FIELDS, type ShelfKind } from '#core/shelf/fields'
import { ShelfEntry } from '#core/shelf/schema'
import { shelfForm } from '~/composables/typedForms'

/** Something new for the shelf: what it is called, how many, and its measured properties; what is wrong is said at its field, and kept. */
const { kind } = defineProps<{ kind: ShelfKind }>()
const emit = defineEmits<{ close: [] }>()
const shelf = useShelf()
const units = useUnits()
const fields = computed(() => SHELF_FIELDS[kind])
/** Choices, which are no text fields. */
const chosen = ref<Record<string, string>>({})
watch(
  () => kind,
  () => {
    chosen.value = {}
    begins.value = {}
    told.value = ''
  },
)
const COMMON = [
  { name: 'label', label: t('shelfForm.label'), maxlength: 80 },
  { name: 'count', label: t('shelfForm.count'), maxlength: 4, placeholder: '1', inputmode: 'numeric' },
  { name: 'engine', label: t('shelfForm.forWhichEngine'), maxlength: 120, placeholder: 'any' },
  { name: 'place', label: t('shelfForm.place'), maxlength: 80 },
  { name: 'note', label: t('shelfForm.note'), maxlength: 300 },
] as const
const empty = computed(() =>
  Object.fromEntries(
    [...COMMON.map(({ name }) => name), ...fields.value.map(({ key }) => key)].map((key) => [key, '']),
  ),
)
const resolver = computed(() => {
  const read = zodResolver(shelfForm(kind, units.unit))
  return (typed: Parameters<typeof read>[0]) =>
    read({ ...typed, values: { ...empty.value, ...typed.values, ...chosen.value } })
})
/** Whether the next of its kind is to follow: a drawer of washers is measured in a row. */
const more = ref(false)
/** What the form begins with, and how many went before: the next has what the last had, but for its name and what is measured of each. */
const begins = ref<Record<string, string>>({})
const before = ref(0)
const told = ref('')
const form = useTemplateRef<{ $el: HTMLElement }>('form')
interface Submitted {
  valid: boolean
  values?: unknown
  states?: Record<string, { value?: unknown }>
}
async function put({ valid, values, states = {} }: Submitted) {
  if (!valid) return
  const entry = ShelfEntry.parse(values)
  if (!more.value) {
    // Shut before the line appears: nothing moves under a hand that reaches for it.
    emit('close')
    return void (await shelf.add(entry))
  }
  const own = [
    'label',
    'count',
    ...fields.value.filter(({ type, required }) => required && type !== 'choice').map(({ key }) => key),
  ]
  begins.value = Object.fromEntries(
    Object.keys(empty.value).map((key) => [key, own.includes(key) ? '' : String(states[key]?.value ?? '')]),
  )
  before.value++
  told.value = t('shelfForm.liesThereNext', { entry: named(entry.label) })
  await nextTick()
  form.value?.$el.querySelector<HTMLInputElement>('input[name="label"]')?.focus()
  await shelf.add(entry)
}
const unit = (field: (typeof fields.value)[number]) =>
  field.type === 'quantity' ? units.unit(field.dimension).symbol : field.type === 'number' ? field.unit : undefined
</script>

<template>
  <Form
    :key="`${kind} ${before}`"
    ref="form"
    class="putting"
    :aria-label="t('shelfForm.new', { one: named(KIND_WORDS[kind].one) })"
    :resolver="resolver"
    :initial-values="{ ...empty, ...begins }"
    @submit="put"
  >
    <FormLine v-for="each in COMMON" :key="each.name" v-bind="each" />
    <template v-for="field in fields" :key="field.key">
      <span v-if="field.type === 'choice'" class="choice-line"
        ><span class="quiet">{{ named(field.label) }}</span
        ><ChoiceField
          :label="named(field.label)"
          :value="chosen[field.key] ?? ''"
          :options="
            ['', ...field.options].map((option) => ({ value: option, words: option || t('shelfForm.notSaid') }))
          "
          @choose="chosen = { ...chosen, [field.key]: $event }"
      /></span>
      <FormLine v-else :name="field.key" :label="named(field.label)" :unit="unit(field)" inputmode="decimal" />
    </template>
    <div class="actions">
      <Button type="submit" @click="more = false">{{ t('shelfForm.putOnTheShelf') }}</Button><Button
        type="submit"
        variant="outlined"
        @click="more = true"
        >{{ t('shelfForm.andTheNext') }}</Button
      ><Button type="button" variant="outlined" @click="emit('close')">{{ t('shelfForm.leaveIt') }}</Button>
      <span v-if="told" class="quiet" role="status">{{ told }}</span>
    </div>
  </Form>
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
.choice-line {
  display: grid;
  gap: 3px;
}
.actions {
  align-self: end;
  grid-column: 1 / -1;
}
</style>
