<script setup lang="ts">
import { t } from '~/words/of/start'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { z } from 'zod'
import { parseQuantity } from '#core/quantity/parse'
import { fromSI, toSI } from '#core/quantity/units'

/** A reading by hand: touch the scale where the needle stands, or type what it says. */
const { top } = defineProps<{ top: number }>()
const emit = defineEmits<{ read: [pressure: number] }>()
const units = useUnits()
const unit = computed(() => units.unit('pressure'))
const most = computed(() => fromSI(top, unit.value))
const step = computed(() => (most.value > 40 ? 1 : 0.05))
const held = ref(0)
const marks = computed(() => {
  const each = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((size) => most.value / size <= 8) ?? most.value
  return Array.from({ length: Math.floor(most.value / each) + 1 }, (_, i) => Number((i * each).toFixed(2)))
})
const take = () => emit('read', toSI(held.value, unit.value))
/** What a gauge can say, as it is typed in any unit. */
const MOST = 2e6
const resolver = computed(() =>
  zodResolver(
    z.object({ reading: z.string().default('') }).transform(({ reading }, context) => {
      const parsed = parseQuantity(reading, 'pressure', unit.value)
      const message = !parsed.ok
        ? parsed.message
        : parsed.value < 0 || parsed.value > MOST
          ? t('handReading.noGaugeOfAnEngineSays', { reading, most: units.say(MOST, 'pressure') })
          : undefined
      if (message) context.addIssue({ code: 'custom', path: ['reading'], message })
      return { reading: parsed.ok ? parsed.value : Number.NaN }
    }),
  ),
)
function write({ valid, values, reset }: { valid: boolean; values?: unknown; reset: () => void }) {
  if (!valid) return
  emit('read', (values as { reading: number }).reading)
  reset()
}
</script>

<template>
  <div class="hand">
    <div class="scale">
      <ValueSlider
        :label="t('handReading.whereTheNeedleStands', { unit: unit.symbol })"
        :value="held"
        :from="0"
        :to="most"
        :step="step"
        :says="units.say(toSI(held, unit), 'pressure')"
        data-testid="needle"
        @slide="held = $event"
        @settle="take"
      />
      <span class="marks" aria-hidden="true"
        ><span v-for="mark in marks" :key="mark" :style="{ left: `calc(13px + (100% - 26px) * ${mark / most})` }">{{
          mark
        }}</span></span
      >
    </div>
    <Form
      v-slot="form"
      class="typed"
      :resolver="resolver"
      :initial-values="{ reading: '' }"
      :validate-on-value-update="false"
      @submit="write"
    >
      <InputText
        name="reading"
        class="mono"
        inputmode="decimal"
        autocomplete="off"
        :aria-label="t('handReading.readingTyped', { unit: unit.symbol })"
        :placeholder="unit.symbol"
        data-testid="typed-reading"
      />
      <Button type="submit" variant="outlined">{{ t('handReading.writeDown') }}</Button>
      <p v-if="form.reading?.invalid" class="wrong" role="alert">{{ form.reading.error?.message }}</p>
    </Form>
  </div>
</template>

<style scoped>
.hand {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px 20px;
  align-items: center;
}
.scale {
  position: relative;
  display: block;
  padding-bottom: 20px;
}
.scale .slider {
  min-height: 56px;
}
.scale :deep(.p-slider-range),
.scale :deep(.p-slider-handle),
.scale :deep(.p-slider-handle::before) {
  background: var(--oil);
}
.marks span {
  position: absolute;
  bottom: 0;
  transform: translateX(-50%);
  font-family: var(--mono);
  font-size: 15px;
  color: var(--quiet);
}
.typed {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
  max-width: 420px;
}
.typed input {
  width: 96px;
  height: 56px;
  font-size: 22px;
  text-align: right;
  padding: 0 10px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
}
.typed .p-button {
  min-height: 56px;
}
.wrong {
  flex-basis: 100%;
  color: var(--stop);
}
@media (max-width: 760px) {
  .hand {
    grid-template-columns: 1fr;
  }
}
</style>
