<script setup lang="ts">
import { oiledAt, primedAt } from '#core/prime/primed'
import type { PrimeClock } from '#core/prime/standing'
import { stretch } from '~/composables/words'

/** How long this prime is good for, and what is left of it. */
const { clock } = defineProps<{ clock: PrimeClock }>()
const build = useBuild()
const now = useClock(20_000)
const at = computed(() => oiledAt(build.sheet!) ?? 0)
/** What it stands from: its last prime, or its last run. */
const since = computed(() => (at.value === primedAt(build.sheet!) ? 'Primed' : 'It ran'))
const left = computed(() => at.value + 1000 * clock.good - now.value)
const WHY = {
  house: 'the house’s rule',
  'late-pressure': 'after that the gauge comes later than the deadline',
  drained: 'after that the gallery is empty and the bearings start on what they hold',
}
</script>

<template>
  <p class="clock" :class="{ out: at > 0 && left <= 0 }" data-testid="prime-clock">
    <template v-if="at === 0"
      >No last prime with oil seen at every outlet is on record: no clock runs. One would be good for
      {{ stretch(1000 * clock.good) }}: {{ WHY[clock.because] }}.</template
    >
    <template v-else-if="left > 0"
      ><b
        >{{ since === 'Primed' ? 'Primed' : `It ran ${stretch(now - at)} ago` }}, good for {{ stretch(left) }} more.</b
      >
      {{ WHY[clock.because].charAt(0).toUpperCase() + WHY[clock.because].slice(1) }}.</template
    >
    <template v-else
      ><b>{{ since }} {{ stretch(now - at) }} ago, good for {{ stretch(1000 * clock.good) }}: prime again.</b>
      {{ WHY[clock.because].charAt(0).toUpperCase() + WHY[clock.because].slice(1) }}.</template
    >
  </p>
</template>

<style scoped>
.clock {
  border-left: 6px solid var(--pass);
  padding: 4px 12px;
  margin-bottom: 12px;
}
.out {
  border-color: var(--watch);
  border-left-style: double;
}
</style>
