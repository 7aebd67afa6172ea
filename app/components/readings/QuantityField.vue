<script setup lang="ts">
import { t } from '~/words/of/frame'
import { parseQuantity } from '#core/quantity/parse'
import type { Dimension } from '#core/quantity/units'

/** A quantity that is no reading of a build: typed in any unit, shown in the chosen one, refused beside the field. */
const { value, dimension, label, range } = defineProps<{
  value?: number
  dimension: Dimension
  label: string
  range?: [number, number]
}>()
const emit = defineEmits<{ write: [value: number | undefined]; wrong: [wrong: boolean] }>()
const units = useUnits()
const typed = ref<string>()
const problem = ref('')
const id = useId()
/** What cannot be read is kept in the field, and nothing is done without it meanwhile. */
watch(problem, (now) => emit('wrong', now !== ''))
const shown = computed(() => typed.value ?? (value === undefined ? '' : units.show(value, dimension)))
function commit() {
  if (typed.value === undefined) return
  if (typed.value.trim() === '') {
    problem.value = ''
    typed.value = undefined
    return emit('write', undefined)
  }
  const parsed = parseQuantity(typed.value, dimension, units.unit(dimension))
  if (!parsed.ok) return void (problem.value = parsed.message)
  if (range && (parsed.value < range[0] || parsed.value > range[1]))
    return void (problem.value = t('quantityField.betweenAnd', {
      range: units.show(range[0], dimension),
      range2: units.say(range[1], dimension),
    }))
  problem.value = ''
  typed.value = undefined
  emit('write', parsed.value)
}
function restore() {
  typed.value = undefined
  problem.value = ''
}
</script>

<template>
  <span class="quantity">
    <input
      class="mono"
      :value="shown"
      :aria-label="label"
      :aria-invalid="!!problem"
      :aria-describedby="problem ? id : undefined"
      autocomplete="off"
      spellcheck="false"
      @input="typed = ($event.target as HTMLInputElement).value"
      @blur="commit"
      @keydown.enter.prevent="commit"
      @keydown.esc="restore"
    /><span class="unit quiet">{{ units.unit(dimension).symbol }}</span>
    <span v-if="problem" :id="id" class="wrong" role="alert">{{ problem }}</span>
  </span>
</template>

<style scoped>
.quantity {
  display: inline-flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
}
input {
  width: 92px;
  height: 44px;
  text-align: right;
  font-size: 17px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-bottom: 1px dashed var(--field);
  border-radius: 3px 3px 0 0;
  background: transparent;
}
input:hover {
  border-color: var(--field);
}
input:focus {
  border: 2px solid var(--petrol);
  outline: none;
  padding: 0 7px;
  background: var(--sheet);
  border-radius: 3px;
}
input[aria-invalid='true'] {
  border: 2px solid var(--watch);
}
.wrong {
  /* In its own place: it lies over no button that is needed next. */
  flex: 0 1 260px;
  padding: 8px 10px;
  background: var(--sheet);
  border: 1px solid var(--watch);
  border-left-width: 6px;
  text-align: left;
  line-height: 1.3;
}
</style>
