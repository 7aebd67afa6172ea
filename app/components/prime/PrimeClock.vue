<script setup lang="ts">
import { t } from '~/words/of/prime'
import { oiledAt, primedAt } from '#core/prime/primed'
import type { PrimeClock } from '#core/prime/standing'
import { stretch } from '~/composables/words'

/** How long this prime is good for, and what is left of it. */
const { clock } = defineProps<{ clock: PrimeClock }>()
const build = useBuild()
const now = useClock(20_000)
const at = computed(() => oiledAt(build.sheet!) ?? 0)
/** What it stands from: its last prime, or its last run. */
const since = computed(() => (at.value === primedAt(build.sheet!) ? t('primeClock.primed') : t('primeClock.itRan')))
const left = computed(() => at.value + 1000 * clock.good - now.value)
const WHY = {
  house: t('primeClock.theHousesRule'),
  'late-pressure': t('primeClock.afterThatTheGaugeComesLater'),
  drained: t('primeClock.afterThatTheGalleryIsEmpty'),
}
</script>

<template>
  <p class="clock" :class="{ out: at > 0 && left <= 0, none: at === 0 }" data-testid="prime-clock">
    <template v-if="at === 0">{{
      t('primeClock.noLastPrimeWithOilSeen', { good: stretch(1000 * clock.good), why: WHY[clock.because] })
    }}</template>
    <template v-else-if="left > 0"
      ><b>{{
        t('primeClock.goodForMore', {
          since: since === 'Primed' ? t('primeClock.primed') : t('primeClock.itRanAgo', { now: stretch(now - at) }),
          left: stretch(left),
        })
      }}</b>
      {{ WHY[clock.because].charAt(0).toUpperCase() + WHY[clock.because].slice(1) }}.</template
    >
    <template v-else
      ><b>{{
        t('primeClock.agoGoodForPrimeAgain', { since, now: stretch(now - at), good: stretch(1000 * clock.good) })
      }}</b>
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
.none {
  border-color: var(--unknown);
  border-left-style: dashed;
}
.out {
  border-color: var(--watch);
  border-left-style: double;
}
</style>
