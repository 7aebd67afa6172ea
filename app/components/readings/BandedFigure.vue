<script setup lang="ts">
import { t } from '~/words/of/frame'
import type { Dimension } from '#core/quantity/units'

/** A predicted figure with its band under it; the unit stands in the column's head unless it is asked for here. */
const {
  value,
  low,
  high,
  dimension,
  fine,
  unit = false,
} = defineProps<{
  value: number
  low: number
  high: number
  dimension: Dimension
  /** Decimals, where more than usual are wanted. */
  fine?: number
  unit?: boolean
}>()
const units = useUnits()
const show = (each: number) => units.show(each, dimension, fine)
</script>

<template>
  <span class="banded predicted mono"
    ><span class="big">{{ unit ? units.say(value, dimension, fine) : show(value) }}</span
    ><span class="quiet band">{{ t('bandedFigure.to', { low: show(low), high: show(high) }) }}</span></span
  >
</template>

<style scoped>
.big {
  font-size: 18px;
  white-space: nowrap;
}
.band {
  display: block;
  font-size: 15px;
  letter-spacing: -0.04em;
  white-space: nowrap;
}
/* Four states side by side on a phone. */
@media (max-width: 760px) {
  .big {
    font-size: 17px;
  }
  .band {
    font-family: var(--type);
    font-stretch: 75%;
    letter-spacing: -0.02em;
  }
}
</style>
