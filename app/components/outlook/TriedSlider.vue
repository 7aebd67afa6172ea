<script setup lang="ts">
import { t } from '~/words/of/outlook'
import type { Dimension } from '#core/quantity/units'

/** A figure of the set-up under the hand: what it is on record, and the slider with its value, SI. */
const { value, dimension } = defineProps<{
  words: string
  label: string
  /** What stands on record. */
  now?: number
  value: number
  from: number
  to: number
  step: number
  dimension: Dimension
}>()
const emit = defineEmits<{ slide: [number] }>()
const units = useUnits()
</script>

<template>
  <div class="tried">
    <span class="line"
      ><span
        >{{ words
        }}<span v-if="now !== undefined" class="quiet">{{
          t('triedSlider.now', { now: units.say(now, dimension) })
        }}</span></span
      ><span class="mono value">{{ units.say(value, dimension) }}</span></span
    ><ValueSlider
      :label="label"
      :value="value"
      :from="from"
      :to="to"
      :step="step"
      :says="units.say(value, dimension)"
      @slide="emit('slide', $event)"
    />
  </div>
</template>

<style scoped>
.tried {
  border-top: 1px solid var(--rule);
  padding-top: 6px;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.value {
  white-space: nowrap;
}
</style>
