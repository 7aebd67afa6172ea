<script setup lang="ts">
import { t } from '~/words/of/sight'
import type { NoCamera } from '~/composables/camera'
import { GAUGE_UNSEEN } from '~/words/gauge'

/** A mechanical gauge before this device's camera: opened, its marks set, and followed. What is not seen is said, with what to do. */
const { isRun = false } = defineProps<{ isRun?: boolean }>()
const gauge = useGaugeCamera()
const units = useUnits()
const place = useTemplateRef<HTMLElement>('place')
const problem = ref('')
/** What was typed of the known line is none: what stood before does not count meanwhile. */
const lineIsWrong = ref(false)
let giveBack: (() => void) | undefined
watch(
  [place, () => gauge.stream],
  ([now, stream]) => {
    giveBack?.()
    giveBack = now && stream ? gauge.show(now) : undefined
  },
  { immediate: true, flush: 'post' },
)
onBeforeUnmount(() => giveBack?.())
const NO: Record<NoCamera | 'gone', string> = {
  refused: t('gauge.refused'),
  none: t('gauge.none'),
  busy: t('gauge.busy'),
  plainHttp: t('gauge.plainHttp'),
  gone: t('gauge.gone'),
  failed: t('gauge.failed'),
}
const MARKS = [
  ['centre', t('gauge.middle')],
  ['zero', t('gauge.zeroLine')],
  ['mark', t('gauge.knownLine')],
] as const
const marks = computed(() => MARKS.map(([key, words]) => ({ key, words, at: gauge.placed[key] })))
async function hold() {
  problem.value = (await gauge.hold()) ? '' : GAUGE_UNSEEN['no-picture']
}
async function follow() {
  problem.value = gauge.at === undefined || lineIsWrong.value ? t('gauge.sayLine') : ''
  if (problem.value) return
  const refused = await gauge.follow().catch(() => 'no-picture' as const)
  problem.value = refused ? t('gauge.notFollowed', { why: GAUGE_UNSEEN[refused] }) : ''
}
const p = (value: number) => units.say(value, 'pressure', units.fine)
</script>

<template>
  <section class="gauge-camera" :aria-label="t('gauge.byCamera')" data-testid="gauge-camera">
    <div v-if="!gauge.stream" class="row">
      <Button type="button" @click="gauge.open">{{ t('gauge.open') }}</Button><span class="quiet">{{
        t('gauge.how')
      }}</span>
    </div>
    <p v-if="gauge.no" class="wrong" role="alert">
      {{ NO[gauge.no.no] }} <span v-if="gauge.no.no === 'failed'">{{ gauge.no.message }}</span>
    </p>
    <template v-if="gauge.still && gauge.size">
      <p>{{ t('gauge.setMarks') }}</p>
      <PhotoMarks :picture="gauge.still" :size="gauge.size" :marks="marks" @move="gauge.move" />
      <div class="row">
        <label
          >{{ t('gauge.lineSays') }}
          <QuantityField
            dimension="pressure"
            :label="t('gauge.lineSays')"
            :value="gauge.at"
            :range="[2e4, 3e6]"
            @write="gauge.at = $event"
            @wrong="lineIsWrong = $event"
        /></label>
      </div>
      <div class="row">
        <Button type="button" @click="follow">{{ t('gauge.follow') }}</Button><Button
          type="button"
          variant="text"
          @click="gauge.forgetStill"
          >{{ t('gauge.leaveMarks') }}</Button
        >
      </div>
    </template>
    <div v-show="gauge.stream && !gauge.still" class="sees" :class="{ small: isRun }">
      <div ref="place" class="place" role="img" :aria-label="t('gauge.sees')">
        <svg v-if="gauge.needle" viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden="true">
          <line
            :x1="gauge.needle[0].x"
            :y1="gauge.needle[0].y"
            :x2="gauge.needle[1].x"
            :y2="gauge.needle[1].y"
            vector-effect="non-scaling-stroke"
          />
        </svg>
      </div>
      <div class="said">
        <p v-if="gauge.read" class="reads" data-testid="gauge-reads">
          <b class="mono">{{ p(gauge.read.value) }}</b> <span class="quiet">± {{ p(2 * gauge.read.sigma) }}</span>
        </p>
        <p v-else-if="gauge.following && gauge.unseen" class="wrong" data-testid="gauge-unseen">
          <b>{{ t('gauge.seesNone') }}</b> {{ GAUGE_UNSEEN[gauge.unseen] }}
        </p>
        <p v-else-if="!gauge.following" class="quiet">{{ t('gauge.notYet') }}</p>
        <p v-if="gauge.read && !isRun" class="quiet">{{ t('gauge.compare') }}</p>
        <div class="row">
          <Button type="button" :variant="gauge.following ? 'outlined' : undefined" @click="hold">{{
            gauge.following ? t('gauge.marksAnew') : t('gauge.marks')
          }}</Button>
          <Button v-if="gauge.read && !isRun" type="button" variant="outlined" @click="gauge.zero">{{
            t('gauge.standsAtZero')
          }}</Button>
          <Button v-if="!isRun" type="button" variant="text" @click="gauge.close">{{ t('gauge.close') }}</Button>
        </div>
        <TickBox :value="gauge.keepsPicture" @tick="gauge.keepsPicture = $event">{{ t('gauge.keepPicture') }}</TickBox>
      </div>
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.gauge-camera {
  display: grid;
  gap: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: center;
}
.sees {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: flex-start;
}
.place {
  position: relative;
  width: min(100%, 420px);
  background: #000;
}
.small .place {
  width: min(46vw, 230px);
}
.place :deep(video) {
  display: block;
  width: 100%;
}
.place svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  z-index: 1;
}
.place line {
  stroke: #ff3b6b;
  stroke-width: 3;
}
.said {
  display: grid;
  gap: 8px;
  flex: 1 1 220px;
}
.said p {
  margin: 0;
}
.reads b {
  font-size: 34px;
}
.wrong {
  color: var(--stop);
  margin: 0;
}
</style>
