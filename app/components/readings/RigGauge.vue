<script setup lang="ts">
import { t } from '~/words/of/frame'
import { ask } from '~/sync/ask'
import type { Quantity } from '#core/record/quantity'
import { UNITS } from '#core/quantity/units'

/** The simulated digital gauge in the hand: its button types what it shows into the reading under the hand, as a wired one's keystrokes do. */
const { quantity } = defineProps<{ quantity: Quantity }>()
const build = useBuild()
const presses = useState<Record<string, number>>('uldo.presses', () => ({}))
const problem = ref('')
async function press() {
  const { key, dimension } = quantity
  const count = presses.value[key] ?? 0
  presses.value = { ...presses.value, [key]: count + 1 }
  try {
    const { value } = await ask('GET /api/builds/:build/gauge', {
      at: { build: build.id! },
      query: { reading: key, press: count },
    })
    problem.value = ''
    // As a gauge speaks: in millimetres, or the dimension's first unit, with the unit behind.
    const unit = UNITS[dimension][0]
    const shown = (value - (unit.offset ?? 0)) / unit.factor
    type(key, `${Number(shown.toPrecision(9))} ${unit.symbol}`.trim())
  } catch {
    problem.value = t('rigGauge.theGaugeDoesNotAnswer')
  }
}
function type(key: string, text: string) {
  const field = document.querySelector<HTMLInputElement>(`input[data-reading="${key}"]`)
  if (!field) return
  field.focus()
  field.value = text
  field.dispatchEvent(new Event('input', { bubbles: true }))
  void nextTick(() =>
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })),
  )
}
</script>

<template>
  <span
    ><Button type="button" variant="outlined" class="press" @mousedown.prevent @click="press">{{
      t('rigGauge.pressTheGauge')
    }}</Button
    ><span v-if="problem" class="wrong" role="alert">{{ problem }}</span></span
  >
</template>

<style scoped>
.press {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--petrol);
  border-radius: 3px;
  background: none;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
  white-space: nowrap;
}
.wrong {
  color: var(--stop);
  margin-left: 8px;
}
</style>
