<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import type { StateOutlook } from '#core/outlook/outlook'

/** One state on a horizontal scale: its target hatched, the predicted band a bar, the band before a ghost, a reading a diamond. */
const { state, ghost } = defineProps<{ state: StateOutlook; ghost?: StateOutlook }>()
const units = useUnits()
const measured = computed(() => state.measured?.reading)
const top = computed(() => Math.max(6.2e5, state.high * 1.05, (measured.value ?? 0) * 1.05))
const share = (pressure: number) => Math.max(0, Math.min(100, (100 * pressure) / top.value))
const ticks = computed(() => {
  const step = units.unit('pressure').symbol === 'psi' ? 20 * units.unit('pressure').factor : 2e5
  return Array.from({ length: Math.floor(top.value / step) + 1 }, (_, i) => i * step)
})
</script>

<template>
  <div
    class="scale"
    v-tip="
      t('pressureBar.targetFrom', {
        least: units.say(state.target.least, 'pressure'),
        reason: named(state.target.reason),
      })
    "
  >
    <span
      class="target"
      :style="{
        left: `${share(state.target.least)}%`,
        width: `${share(state.target.most) - share(state.target.least)}%`,
      }"
    />
    <span
      v-if="ghost"
      class="ghost"
      :style="{ left: `${share(ghost.low)}%`, width: `${Math.max(0.8, share(ghost.high) - share(ghost.low))}%` }"
    />
    <span
      class="bar"
      :style="{ left: `${share(state.low)}%`, width: `${Math.max(0.8, share(state.high) - share(state.low))}%` }"
    />
    <span class="best" :style="{ left: `${share(state.pressure)}%` }" />
    <span
      v-if="measured !== undefined"
      class="diamond"
      :style="{ left: `${share(measured)}%` }"
      v-tip="t('pressureBar.measured', { measured: units.say(measured, 'pressure') })"
    />
    <span v-for="tick in ticks" :key="tick" class="tick" :style="{ left: `${share(tick)}%` }">{{
      units.show(tick, 'pressure', 0)
    }}</span>
  </div>
</template>

<style scoped>
.scale {
  position: relative;
  height: 36px;
  margin: 0 5px;
}
.scale::after {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 17px;
  height: 1px;
  background: var(--quiet);
}
.scale span {
  position: absolute;
}
.target {
  top: 2px;
  height: 15px;
  background: repeating-linear-gradient(-45deg, var(--hatch) 0 1px, transparent 1px 6px);
  border-left: 2px solid var(--petrol);
}
.bar {
  top: 5px;
  height: 9px;
  background: var(--oil);
}
.ghost {
  top: 3px;
  height: 13px;
  border: 1px dashed var(--oil);
}
.best {
  top: 3px;
  height: 13px;
  width: 2px;
  margin-left: -1px;
  background: var(--ink);
}
.diamond {
  top: 4px;
  width: 11px;
  height: 11px;
  margin-left: -6px;
  background: var(--petrol);
  border: 1px solid var(--sheet);
  transform: rotate(45deg);
}
.tick {
  top: 22px;
  line-height: 1;
  font-size: 15px;
  color: var(--quiet);
  width: 24px;
  margin-left: -12px;
  text-align: center;
}
.tick::before {
  content: '';
  position: absolute;
  left: 12px;
  top: -5px;
  height: 4px;
  border-left: 1px solid var(--quiet);
}
.tick:first-of-type {
  text-align: left;
}
</style>
