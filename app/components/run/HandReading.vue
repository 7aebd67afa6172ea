<script setup lang="ts">
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
const typed = ref('')
const problem = ref('')
const marks = computed(() => {
  const each = [0.5, 1, 2, 5, 10, 20, 50, 100, 200].find((size) => most.value / size <= 8) ?? most.value
  return Array.from({ length: Math.floor(most.value / each) + 1 }, (_, i) => Number((i * each).toFixed(2)))
})
const take = () => emit('read', toSI(held.value, unit.value))
function write() {
  const parsed = parseQuantity(typed.value, 'pressure', unit.value)
  if (!parsed.ok) return void (problem.value = parsed.message)
  if (parsed.value < 0 || parsed.value > 2e6)
    return void (problem.value = `No gauge of an engine says ${typed.value}. Between 0 and ${units.say(2e6, 'pressure')}.`)
  problem.value = ''
  typed.value = ''
  emit('read', parsed.value)
}
</script>

<template>
  <div class="hand">
    <label class="scale">
      <span class="hidden-but-read">Where the needle stands, {{ unit.symbol }}</span>
      <input v-model.number="held" type="range" min="0" :max="most" :step="step" data-testid="needle" @change="take" />
      <span class="marks" aria-hidden="true"
        ><span v-for="mark in marks" :key="mark" :style="{ left: `calc(8px + (100% - 16px) * ${mark / most})` }">{{
          mark
        }}</span></span
      >
    </label>
    <form class="typed" @submit.prevent="write">
      <input
        v-model="typed"
        class="mono"
        inputmode="decimal"
        autocomplete="off"
        :aria-label="`Reading typed, ${unit.symbol}`"
        :aria-invalid="!!problem"
        :placeholder="unit.symbol"
        data-testid="typed-reading"
      />
      <Button type="submit" variant="outlined">Write down</Button>
    </form>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
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
input[type='range'] {
  width: 100%;
  height: 56px;
  accent-color: var(--oil);
  cursor: pointer;
  margin: 0;
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
  gap: 8px;
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
  grid-column: 1 / -1;
  color: var(--stop);
}
@media (max-width: 760px) {
  .hand {
    grid-template-columns: 1fr;
  }
}
</style>
