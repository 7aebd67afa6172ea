<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/frame'
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
const needs = computed(() => state.missing.map(({ label }) => inSentence(label)))
</script>

<template>
  <section
    class="state"
    :class="{ greyed: (voided && measured === undefined) || stale }"
    :data-state="state.name"
    :data-verdict="stale ? 'unknown' : state.verdict"
  >
    <h3>
      {{ named(state.label) }}
      <span>{{ units.say(state.speed, 'speed') }}, {{ units.say(state.temperature, 'temperature') }}</span>
    </h3>
    <div v-if="!state.pumpable && measured === undefined" class="words stop-word">
      {{ t('stateScale.belowThisOilsPumpingLimitIt') }}
    </div>
    <template v-else>
      <div v-if="disagrees" class="words apart" role="status">
        {{ t(state.measured!.prediction === 'below' ? 'stateScale.readBelow' : 'stateScale.readAbove') }}
      </div>
      <div class="line">
        <span v-if="measured !== undefined" class="value mono read" data-testid="measured"
          >{{ units.show(measured, 'pressure') }}<small>{{ t('stateScale.read') }}</small></span
        >
        <template v-else
          ><span class="value mono" data-testid="pressure">{{ units.show(state.pressure, 'pressure') }}</span
          ><span class="band mono">{{
            t('stateScale.to', { low: units.show(state.low, 'pressure'), high: units.show(state.high, 'pressure') })
          }}</span></template
        >
        <VerdictLabel :verdict="stale ? 'unknown' : state.verdict" />
      </div>
      <div v-if="measured !== undefined" class="line beside">
        <span class="words">{{ t('stateScale.predicted') }}</span>{{ ' '
        }}<span class="mono" data-testid="pressure">{{ units.show(state.pressure, 'pressure') }}</span
        ><span class="band mono">{{
          t('stateScale.to', { low: units.show(state.low, 'pressure'), high: units.show(state.high, 'pressure') })
        }}</span>
      </div>
      <PressureBar :state="state" :ghost="ghost" />
      <div
        v-if="change !== undefined && !voided && !stale"
        class="words"
        :class="change < 0 ? 'down' : 'up'"
        role="status"
      >
        {{
          t(change < 0 ? 'stateScale.downSince' : 'stateScale.upSince', {
            change: units.say(Math.abs(change), 'pressure', units.fine),
            cause,
          })
        }}
      </div>
      <div v-else-if="state.verdict === 'assumed'" class="words needs" v-tip="needs.join(', ')">
        {{
          t('stateScale.measure', {
            needs: needs[0],
            count: needs.length > 1 ? t('stateScale.more', { count: needs.length - 1 }) : '',
          })
        }}
      </div>
      <div v-else-if="state.doubted" class="words apart" data-testid="doubted">
        {{ t('stateScale.byARecordThatTheGauge') }}
      </div>
      <div v-else-if="state.starves" class="words stop-word">{{ t('stateScale.thePumpStarvesHere') }}</div>
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
  font-size: 15px;
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
  font-size: 15px;
  white-space: nowrap;
  letter-spacing: -0.02em;
}
.line .verdict {
  align-self: center;
}
.verdict {
  --sheet: var(--paper);
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
