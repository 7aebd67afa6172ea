<script setup lang="ts">
import { t } from '~/words/of/brief'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { OilFigures, type SheetOil } from '#core/record/schema'
import { oilFiguresOf } from '#core/record/oil'
import { OIL_SHEET, oilSheetForm } from '~/composables/typedForms'

/** A data sheet's figures as a hand types them: begun with what stands for the oil now, kept until all of them can be used. */
const { oil, label } = defineProps<{ oil: SheetOil; label: string }>()
const emit = defineEmits<{ use: [figures: OilFigures] }>()
const asBought = computed(() => oilFiguresOf({ oil: { grade: oil.grade, figures: oil.figures } }))
const first = computed(() =>
  Object.fromEntries(
    OIL_SHEET.map(({ field, factor }) => [field, String(Number((asBought.value[field] / factor).toPrecision(6)))]),
  ),
)
const resolver = zodResolver(oilSheetForm)
function use({ valid, values }: { valid: boolean; values?: unknown }) {
  if (valid) emit('use', OilFigures.parse(values))
}
</script>

<template>
  <Form
    :key="JSON.stringify(first)"
    class="sheet-form"
    :aria-label="label"
    :resolver="resolver"
    :initial-values="first"
    @submit="use"
  >
    <FormLine
      v-for="figure in OIL_SHEET"
      :key="figure.field"
      :name="figure.field"
      :label="figure.title"
      :unit="figure.unit"
      inputmode="decimal"
    />
    <Button type="submit">{{ t('oilSheetForm.useTheseFigures') }}</Button>
  </Form>
</template>

<style scoped>
.sheet-form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 10px 16px;
  margin-top: 10px;
}
.sheet-form .p-button {
  justify-self: start;
  align-self: end;
}
.sheet-form :deep(input) {
  font-family: var(--mono);
  text-align: right;
}
</style>
