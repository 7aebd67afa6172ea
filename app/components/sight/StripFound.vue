<script setup lang="ts">
import { t } from '~/words/of/sight'
import { vTip } from '~/composables/tip'
import { stripClearance } from '#core/bearing/strip'
import type { StripScale } from '#core/house/schema'
import type { StripMeasured } from '#core/sight/strip'

/** What was measured in a photo of a strip, and what it says of the gap: to be confirmed before it is a reading. */
const { found, scale, keepsPhoto } = defineProps<{ found: StripMeasured; scale: StripScale; keepsPhoto: boolean }>()
const emit = defineEmits<{ keeps: [photo: boolean]; keep: [clearance: { value: number; sigma: number }] }>()
const units = useUnits()
/** What the width says of the gap, by this gauge's own scale; with the uncertainty of the width beside that of the scale. */
const clearance = computed(() => {
  const { width, sigma, ends } = found
  try {
    const gap = (w: number) => stripClearance(w, scale.lines)
    const { value, sigma: ofScale } = gap(width)
    const near = (w: number) => {
      try {
        return gap(w).value
      } catch {
        return value
      }
    }
    return {
      value,
      sigma: Math.hypot(ofScale, (near(width - sigma) - near(width + sigma)) / 2),
      taper: Math.abs(near(ends[0]) - near(ends[1])),
    }
  } catch {
    return undefined
  }
})
const mm = (value: number) => units.show(value, 'length')
const gap = (value: number) => units.say(value, 'clearance')
</script>

<template>
  <div class="found" role="status" data-testid="strip-found">
    <b>{{
      t('strip.width', { width: mm(found.width), sigma: mm(2 * found.sigma), unit: units.unit('length').symbol })
    }}</b>
    <span v-tip="t('strip.whatTaperIs')">{{
      t('strip.ends', { one: mm(found.ends[0]), other: mm(found.ends[1]), unit: units.unit('length').symbol })
    }}</span>
    <template v-if="clearance"
      ><b>{{
        t('strip.clearance', { gap: gap(clearance.value), sigma: gap(2 * clearance.sigma), name: scale.name })
      }}</b
      ><span>{{ t('strip.taper', { taper: gap(clearance.taper) }) }}</span
      ><span class="actions"
        ><TickBox :value="keepsPhoto" @tick="emit('keeps', $event)">{{ t('strip.keepPhoto') }}</TickBox
        ><Button type="button" data-take @click="emit('keep', clearance)">{{ t('strip.keep') }}</Button></span
      ></template
    >
    <p v-else class="wrong">{{ t('strip.outside', { name: scale.name }) }}</p>
  </div>
</template>

<style scoped>
.found {
  display: grid;
  gap: 4px;
  border-top: 3px solid var(--petrol);
  padding-top: 8px;
}
.found b {
  font-size: 20px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
