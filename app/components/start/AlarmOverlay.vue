<script setup lang="ts">
import { lowered } from '~/words/speak'
import { shopAlarm } from '~/composables/shopAlarm'
import { t } from '~/words/of/start'
import { STOP_TITLES, stopReason } from '~/words/start'
import { type ShopNews, useNews } from '~/stores/news'

/** A start that the server's watch has called off, over whatever page is open in this shop; the board that shows the run shows it itself. */
type Alarm = Extract<ShopNews, { kind: 'alarm' }>
const units = useUnits()
const run = useRun()
const route = useRoute()
const alarms = shallowRef<Alarm[]>([])
/** Calls that this page has put away; the others go on. */
const away = ref<string[]>([])
useNews().onNews((news) => {
  if (news.kind !== 'alarm') return
  alarms.value = [...alarms.value.filter((each) => each.run !== news.run), ...(news.on ? [news] : [])]
  if (!news.on) away.value = away.value.filter((each) => each !== news.run)
})
const shown = computed(() =>
  alarms.value.find(
    (each) => !away.value.includes(each.run) && !(run.run?.id === each.run && route.path.endsWith('/start')),
  ),
)
watch(shown, (now) => (shopAlarm.value = now && `${now.name}: ${lowered(STOP_TITLES[now.code])}`))
const alarm = useAlarm(() => shown.value !== undefined)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const to = computed(() => (shown.value ? `/build/${shown.value.build}/start` : '/'))
</script>

<template>
  <div
    v-if="shown"
    class="alarm"
    role="alertdialog"
    aria-modal="true"
    :aria-label="t('alarmOverlay.stop', { name: shown.name })"
    data-testid="alarm"
    :data-alarm="shown.code"
  >
    <span class="huge">{{ t('alarmOverlay.stop2') }}</span>
    <p class="name">{{ shown.name }}: {{ lowered(STOP_TITLES[shown.code]) }}</p>
    <p class="why">{{ t('alarmOverlay.whoeverIsAtItsSwitchOff', { stopReason: stopReason(shown, p) }) }}</p>
    <Button v-if="alarm.blocked.value" type="button" class="large" data-testid="sound-off" @click="alarm.ready()">{{
      t('alarmOverlay.soundOffTapToLetIt')
    }}</Button>
    <div class="hands">
      <NuxtLink class="big" :to="to" @click="away.push(shown.run)">{{ t('alarmOverlay.toItsStart') }}</NuxtLink><Button
        type="button"
        class="large"
        @click="away.push(shown.run)"
        >{{ t('alarmOverlay.seenHere') }}</Button
      >
    </div>
  </div>
</template>

<style scoped>
.alarm {
  position: fixed;
  inset: 0;
  z-index: 70;
  background: #a02c26;
  color: #fff;
  padding: 30px 40px;
  display: grid;
  align-content: center;
  gap: 14px;
  overflow-y: auto;
}
.huge {
  font-size: clamp(110px, 24vw, 330px);
  line-height: 0.92;
  font-weight: 800;
  font-stretch: 82%;
  letter-spacing: -0.03em;
}
.name {
  font-size: clamp(28px, 4vw, 52px);
  font-weight: 700;
  margin: 0;
}
.why {
  font-size: clamp(20px, 2.6vw, 32px);
  margin: 0;
  max-width: 40ch;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.big,
.large {
  min-height: 64px;
  padding: 0 24px;
  font-size: 20px;
  font-weight: 650;
  background: #fff;
  color: #7d1f1a;
  border: 2px solid #fff;
  border-radius: 3px;
  display: inline-flex;
  align-items: center;
  text-decoration: none;
}
@media print {
  .alarm {
    display: none;
  }
}
</style>
