<script setup lang="ts">
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
    :label="`${item.label}, ${field.label}`"
    class="bare"
    @write="property($event)"
  />
  <select
    v-else-if="field.type === 'choice'"
    :value="item.properties[field.key] ?? ''"
    :aria-label="`${item.label}, ${field.label}`"
    @change="property(($event.target as HTMLSelectElement).value)"
  >
    <option value="">·</option>
    <option v-for="option in field.options" :key="option" :value="option">{{ option }}</option>
  </select>
  <DraftInput
    v-else
    class="mono small"
    :class="{ number: field.type === 'number' }"
    :value="item.properties[field.key] ?? ''"
    :aria-label="`${item.label}, ${field.label}`"
    @write="field.type === 'number' ? number($event) : property($event)"
  />
</template>

<style scoped>
input,
select {
  height: 44px;
  border: 1px solid transparent;
  border-bottom: 1px dashed transparent;
  background: transparent;
  padding: 0 6px;
  border-radius: 3px;
  width: 100%;
  font-size: 16px;
}
input:hover,
select:hover {
  border-color: var(--field);
}
input:focus,
select:focus {
  border: 2px solid var(--petrol);
  outline: none;
  background: var(--sheet);
}
/* Four and five figures; yes and no. */
.small {
  width: 74px;
  text-align: right;
}
.number {
  width: 64px;
}
select {
  height: 44px;
  border: 1px solid transparent;
  border-bottom: 1px dashed transparent;
  background: transparent;
  padding: 0 6px;
  border-radius: 3px;
  width: 100%;
  font-size: 16px;
}
.bare :deep(.unit) {
  display: none;
}
.bare :deep(input) {
  width: 84px;
  font-size: 16px;
}
</style>
