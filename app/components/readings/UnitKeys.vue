<script setup lang="ts">
import { t } from '~/words/of/frame'
import { UNIT_CHOICES, unitFor } from '#core/quantity/unitChoices'
import { UNITS } from '#core/quantity/units'
import type { Quantity } from '#core/record/quantity'

/** Units and marks that a number pad lacks, typed into the reading that the hand is on. */
const { quantity } = defineProps<{ quantity: Quantity }>()
const units = useUnits()
/** Most that fit beside one another. */
const MOST = 5
const symbols = computed(() => {
  // What somebody at this bench may have chosen comes first.
  const chosen = Object.values(UNIT_CHOICES).map((choice) => unitFor(quantity.dimension, choice))
  return [
    ...new Set([units.unit(quantity.dimension), ...chosen, ...UNITS[quantity.dimension]].map(({ symbol }) => symbol)),
  ]
    .filter(Boolean)
    .slice(0, MOST)
})
function type(text: string) {
  const input = document.querySelector<HTMLInputElement>(`main input[data-reading="${quantity.key}"]`)
  if (!input) return
  // What stands selected is replaced by digits; a unit or a mark goes behind it.
  input.value = `${input.value}${text}`
  input.dispatchEvent(new Event('input', { bubbles: true }))
  input.focus()
  input.setSelectionRange(input.value.length, input.value.length)
}
</script>

<template>
  <div class="unit-keys" role="group" :aria-label="t('unitKeys.units')">
    <Button
      v-for="symbol in symbols"
      :key="symbol"
      type="button"
      variant="outlined"
      @pointerdown.prevent
      @click="type(` ${symbol}`)"
      >{{ symbol }}</Button
    >
    <Button
      type="button"
      variant="outlined"
      :aria-label="t('unitKeys.fraction')"
      @pointerdown.prevent
      @click="type('/')"
      >/</Button
    >
    <Button
      type="button"
      variant="outlined"
      :aria-label="t('unitKeys.readAgain')"
      @pointerdown.prevent
      @click="type('; ')"
      >;</Button
    >
    <Button type="button" variant="outlined" :aria-label="t('unitKeys.minus')" @pointerdown.prevent @click="type('-')"
      >−</Button
    >
  </div>
</template>

<style scoped>
.unit-keys {
  display: none;
  gap: 6px;
  overflow-x: auto;
  padding: 4px 0;
}
.unit-keys > * {
  flex: 1 0 44px;
  min-height: 44px;
  padding: 0 4px;
}
@media (pointer: coarse) {
  .unit-keys {
    display: flex;
  }
}
</style>
