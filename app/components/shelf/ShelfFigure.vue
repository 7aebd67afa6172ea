<script setup lang="ts">
import { named } from '~/words/speak'
import type { ShelfField } from '#core/shelf/fields'
import type { ShelfItem } from '#core/shelf/schema'

/** One property of something on the shelf, written where it stands: a figure in its unit, a choice, or words. */
const { item, field } = defineProps<{ item: ShelfItem; field: ShelfField }>()
const emit = defineEmits<{ problem: [string] }>()
const shelf = useShelf()
function property(value: number | string | undefined) {
  emit('problem', '')
  const properties = { ...item.properties }
  if (value === undefined || value === '') delete properties[field.key]
  else properties[field.key] = value
  void shelf.write(item, { properties })
}
function number(text: string) {
  const typed = text.replace(',', '.').replace('−', '-')
  const value = Number(typed)
  if (typed !== '' && !Number.isFinite(value))
    return emit('problem', `${item.label}, ${field.label}: “${typed}” is not a number.`)
  property(typed === '' ? undefined : value)
}
</script>

<template>
  <QuantityField
    v-if="field.type === 'quantity'"
    :value="shelf.figure(item, field.key)"
    :dimension="field.dimension"
    :range="field.range"
    :label="`${named(item.label)}, ${named(field.label)}`"
    class="bare"
    @write="property($event)"
  />
  <ChoiceField
    v-else-if="field.type === 'choice'"
    quiet
    :label="`${named(item.label)}, ${named(field.label)}`"
    :value="String(item.properties[field.key] ?? '')"
    :options="[{ value: '', words: '·' }, ...field.options.map((option) => ({ value: option, words: option }))]"
    @choose="property($event)"
  />
  <DraftInput
    v-else
    class="mono small"
    :class="{ number: field.type === 'number' }"
    :value="item.properties[field.key] ?? ''"
    :aria-label="`${named(item.label)}, ${named(field.label)}`"
    @write="field.type === 'number' ? number($event) : property($event)"
  />
</template>

<style scoped>
.p-inputtext {
  height: 44px;
  border-color: transparent;
  border-bottom: 1px dashed transparent;
  background: transparent;
  padding: 0 6px;
  font-size: 16px;
}
.p-inputtext:hover {
  border-color: var(--field);
}
.p-inputtext:focus {
  background: var(--sheet);
  border-color: var(--petrol);
}
/* Four and five figures; yes and no. */
.small {
  width: 74px;
  text-align: right;
}
.number {
  width: 64px;
}
.bare :deep(.unit) {
  display: none;
}
.bare :deep(input) {
  width: 84px;
  font-size: 16px;
}
</style>
