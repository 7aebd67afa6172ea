<script setup lang="ts">
import type { OilFigures, SheetOil } from '#core/record/schema'
import { oilFiguresOf } from '#core/record/oil'

/** A data sheet's figures as a hand types them: begun with what stands for the oil now, kept until all of them can be used. */
const { oil, label } = defineProps<{ oil: SheetOil; label: string }>()
const emit = defineEmits<{ use: [figures: OilFigures] }>()
/** What a data sheet says, with the unit it says it in, its factor to the sheet's own, and what it may be. */
const FIGURES = [
  { field: 'kv40', title: 'Viscosity at 40 °C', unit: 'mm²/s', factor: 1, range: [3, 5000] },
  { field: 'kv100', title: 'Viscosity at 100 °C', unit: 'mm²/s', factor: 1, range: [2, 500] },
  { field: 'density15', title: 'Density at 15 °C', unit: 'kg/m³', factor: 1, range: [700, 1100] },
  { field: 'highShear150', title: 'High-shear viscosity at 150 °C', unit: 'mPa·s', factor: 1e-3, range: [0.5, 20] },
  { field: 'pumpingLimit', title: 'Pumps down to', unit: '°C', factor: 1, range: [-60, 20] },
] as const
type Field = (typeof FIGURES)[number]['field']
const text = reactive<Partial<Record<Field, string>>>({})
const problem = ref('')
const asBought = computed(() => oilFiguresOf({ oil: { grade: oil.grade, figures: oil.figures } }))
const shown = ({ field, factor }: (typeof FIGURES)[number]) =>
  text[field] ?? String(Number((asBought.value[field] / factor).toPrecision(6)))
function write() {
  const figures = {} as Record<Field, number>
  for (const figure of FIGURES) {
    const typed = shown(figure).trim()
    const number = Number(typed.replace(',', '.').replace('−', '-'))
    const [least, most] = figure.range
    if (typed === '' || !Number.isFinite(number))
      return void (problem.value = `${figure.title}: “${typed}” is not a number.`)
    if (number < least || number > most)
      return void (problem.value = `${figure.title}: ${typed} is outside ${least} to ${most} ${figure.unit}.`)
    figures[figure.field] = number * figure.factor
  }
  if (figures.kv40 <= figures.kv100) return void (problem.value = 'Viscosity at 40 °C must be greater than at 100 °C.')
  problem.value = ''
  for (const { field } of FIGURES) text[field] = undefined
  emit('use', figures)
}
</script>

<template>
  <form :aria-label="label" @submit.prevent="write">
    <label v-for="figure in FIGURES" :key="figure.field" class="row"
      ><span class="what">{{ figure.title }}</span
      ><span
        ><InputText
          :model-value="shown(figure)"
          :aria-label="figure.title"
          inputmode="decimal"
          @update:model-value="text[figure.field] = String($event)"
        />{{ ' ' }}<span class="quiet unit">{{ figure.unit }}</span></span
      ></label
    >
    <p v-if="problem" class="bad" role="alert">{{ problem }}</p>
    <Button type="submit">Use these figures</Button>
  </form>
</template>

<style scoped>
.bad {
  color: var(--stop);
  padding: 8px 0;
}
form {
  margin-top: 10px;
  display: grid;
}
form .p-button {
  justify-self: start;
  margin-top: 10px;
}
.unit {
  display: inline-block;
  width: 52px;
}
form .p-inputtext {
  width: 104px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
</style>
