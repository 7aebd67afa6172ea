<script setup lang="ts">
import type { StateOutlook } from '#core/outlook/outlook'

/** One state's pressure scale: target zone hatched, predicted band a bar, ghost of the former bar, measured reading a diamond. */
const {
  state,
  ghost,
  change,
  cause,
  voided = false,
  stale = false,
} = defineProps<{
  state: StateOutlook
  ghost?: StateOutlook
  change?: number
  cause: string
  voided?: boolean
  stale?: boolean
}>()
const units = useUnits()
/** The gauge as it was read here: it governs, and the prediction stands beside it. */
const measured = computed(() => state.measured?.reading)
const disagrees = computed(
  () => state.measured && (state.measured.prediction === 'below' || state.measured.prediction === 'above'),
)
/** Which reading would change the word. */
const needs = computed(() => state.missing.map(({ label }) => label.replace(/^./, (letter) => letter.toLowerCase())))
const unit = computed(() => units.unit('pressure'))
const top = computed(() => Math.max(6.2e5, state.high * 1.05, (measured.value ?? 0) * 1.05))
const share = (pressure: number) => Math.max(0, Math.min(100, (100 * pressure) / top.value))
const ticks = computed(() => {
  const step = unit.value.symbol === 'psi' ? 20 * unit.value.factor : 2e5
  return Array.from({ length: Math.floor(top.value / step) + 1 }, (_, i) => i * step)
})
</script>

<template>
  <section
    class="state"
    :class="{ greyed: (voided && measured === undefined) || stale }"
    :data-state="state.name"
    :data-verdict="stale ? 'unknown' : state.verdict"
  >
    <h3>
      {{ state.label }}
      <span>{{ units.say(state.speed, 'speed') }}, {{ units.say(state.temperature, 'temperature') }}</span>
    </h3>
    <div v-if="!state.pumpable && measured === undefined" class="words stop-word">
      Below this oil’s pumping limit: it may not reach the pickup.
    </div>
    <template v-else>
      <div v-if="disagrees" class="words apart" role="status">read {{ state.measured!.prediction }} the prediction</div>
      <div class="line">
        <span v-if="measured !== undefined" class="value mono read" data-testid="measured"
          >{{ units.show(measured, 'pressure') }}<small>read</small></span
        >
        <template v-else
          ><span class="value mono" data-testid="pressure">{{ units.show(state.pressure, 'pressure') }}</span
          ><span class="band mono"
            >{{ units.show(state.low, 'pressure') }} to {{ units.show(state.high, 'pressure') }}</span
          ></template
        >
        <VerdictLabel :verdict="stale ? 'unknown' : state.verdict" />
      </div>
      <div v-if="measured !== undefined" class="line beside">
        <span class="words">predicted</span>{{ ' '
        }}<span class="mono" data-testid="pressure">{{ units.show(state.pressure, 'pressure') }}</span
        ><span class="band mono"
          >{{ units.show(state.low, 'pressure') }} to {{ units.show(state.high, 'pressure') }}</span
        >
      </div>
      <div class="scale" :title="`Target from ${units.say(state.target.least, 'pressure')}: ${state.target.reason}`">
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
          :title="`Measured ${units.say(measured, 'pressure')}`"
        />
        <span v-for="tick in ticks" :key="tick" class="tick" :style="{ left: `${share(tick)}%` }">{{
          units.show(tick, 'pressure', 0)
        }}</span>
      </div>
      <div
        v-if="change !== undefined && !voided && !stale"
        class="words"
        :class="change < 0 ? 'down' : 'up'"
        role="status"
      >
        {{ change < 0 ? 'down' : 'up' }} {{ units.say(Math.abs(change), 'pressure', units.fine) }} since {{ cause }}
      </div>
      <div v-else-if="state.verdict === 'assumed'" class="words needs" :title="needs.join(', ')">
        measure {{ needs[0] }}{{ needs.length > 1 ? `, ${needs.length - 1} more` : '' }}
      </div>
      <div v-else-if="state.doubted" class="words apart" data-testid="doubted">
        by a record that the gauge departs from
      </div>
      <div v-else-if="state.starves" class="words stop-word">the pump starves here</div>
    </template>
  </section>
</template>

<style scoped>
.state {
  padding-bottom: 13px;
}
.greyed .line > :not(.verdict),
.greyed .scale {
  opacity: 0.38;
  filter: grayscale(1);
}
.greyed .value {
  text-decoration: line-through 2px;
}
.read small {
  font-size: 14px;
  color: var(--quiet);
  margin-left: 4px;
  font-family: var(--type);
}
.beside {
  justify-content: flex-start;
  gap: 6px;
  font-size: 15px;
}

h3 {
  font-size: 16px;
}
h3 span {
  font-weight: 400;
  color: var(--quiet);
  font-size: 15px;
  margin-left: 4px;
  white-space: nowrap;
}
.line {
  display: flex;
  align-items: baseline;
  gap: 7px;
  justify-content: space-between;
}
.value {
  font-size: 30px;
  line-height: 1.15;
}
.band {
  color: var(--quiet);
  flex: 1;
  font-size: 14px;
  white-space: nowrap;
  letter-spacing: -0.02em;
}
.line .verdict {
  align-self: center;
}
.verdict {
  --sheet: var(--paper);
}
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
  font-size: 13px;
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
.words {
  color: var(--quiet);
  font-size: 15px;
  line-height: 1.25;
}
.down,
.apart {
  color: var(--watch);
}
.apart {
  font-weight: 600;
}
.needs {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.up {
  color: var(--petrol);
}
.stop-word {
  color: var(--stop);
  font-weight: 600;
}
</style>
