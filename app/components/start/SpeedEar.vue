<script setup lang="ts">
import { t } from '~/words/of/sound'
import { said } from '~/words/speak'
import type { NoCamera } from '~/composables/camera'
import { FIRES_HOW } from '#core/sound/firings'

/** The engine's speed by this device's microphone, where no tachometer is wired; where it is not sure it says so, and the throttle's word stands. */
const ear = useEar()
const build = useBuild()
const units = useUnits()
onBeforeUnmount(ear.close)
const NO: Record<NoCamera | 'gone', string> = said(t, {
  refused: 'ear.refused',
  none: 'ear.none',
  busy: 'ear.busy',
  plainHttp: 'ear.plainHttp',
  gone: 'ear.gone',
  failed: 'ear.failed',
})
const NOT: Record<typeof ear.not, string> = said(t, {
  'too-short': 'ear.tooShort',
  driven: 'ear.driven',
  'no-engine': 'ear.noEngine',
  'two-fit': 'ear.twoFit',
  changes: 'ear.changes',
  hum: 'ear.hum',
  silent: 'ear.silent',
  shop: 'ear.shop',
  cranking: 'ear.cranking',
})
const HOW = said(t, { 'four-stroke': 'ear.everySecondTurn', 'two-stroke': 'ear.everyTurn' })
const hows = FIRES_HOW.map((value) => ({ value, words: HOW[value] }))
/** Whether what is heard says for sure that it is not sure: not while it waits. */
const isUnsure = computed(() => !['shop', 'cranking', 'too-short'].includes(ear.not))
const rpm = (value: number) => units.say(value, 'speed')
</script>

<template>
  <section class="ear" :aria-label="t('ear.speedByEar')" data-testid="ear">
    <div v-if="!ear.stream" class="row">
      <Button type="button" variant="outlined" @click="ear.open">{{ t('ear.speedByEar') }}</Button><span
        class="quiet"
        >{{ t('ear.how') }}</span
      >
    </div>
    <p v-if="ear.no" class="wrong" role="alert">
      {{ NO[ear.no.no] }} <span v-if="ear.no.no === 'failed'">{{ ear.no.message }}</span>
    </p>
    <div v-if="ear.stream" class="row">
      <p v-if="ear.heard" class="hears" data-testid="ear-hears">
        <b class="mono">{{ rpm(ear.heard.speed) }}</b>
        <span class="quiet">{{
          t('ear.within', {
            spread: rpm(2 * ear.heard.sigma),
            sure: Math.min(99, Math.floor(100 * ear.heard.confidence)),
          })
        }}</span>
      </p>
      <p v-else class="hears" :class="{ wrong: isUnsure }" data-testid="ear-not">{{ NOT[ear.not] }}</p>
      <SegmentChoice
        v-if="build.sheet?.layout.kind !== 'rotary'"
        :label="t('ear.fires')"
        :value="ear.how"
        :options="hows"
        @choose="$event && ear.firesAs($event)"
      />
      <Button type="button" variant="text" @click="ear.close">{{ t('ear.close') }}</Button>
    </div>
  </section>
</template>

<style scoped>
.ear,
.hears {
  margin: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.hears b {
  font-size: 26px;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
