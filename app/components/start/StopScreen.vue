<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/start'
import { seenIn } from '#core/start/suspects'
import type { Stop } from '#core/start/watchTypes'
import { stationPath } from '~/composables/stations'
import { stopReason } from '~/words/start'

/** STOP over everything: why, what fits it, and the switch. */
const { stop, acknowledged, silent } = defineProps<{ stop: Stop; acknowledged: boolean; silent: boolean }>()
const emit = defineEmits<{ sound: []; off: []; finish: []; leave: [] }>()
const build = useBuild()
const units = useUnits()
const run = useRun()
/** From here the engine is off: what it was is looked for at the trace. */
async function trace() {
  emit('finish')
  emit('leave')
  if (build.id) await navigateTo(stationPath(build.id, 'trace'))
}
const p = (value: number) => units.say(value, 'pressure', units.fine)
const { value: suspects } = useAnswer(
  (_model, slow) =>
    build.sheet
      ? slow().startSuspects(
          build.sheet,
          { ...stop },
          seenIn(run.samples.filter(({ time }) => time <= stop.time + 0.05)),
        )
      : undefined,
  () => stop.time,
)
</script>

<template>
  <div class="stop-word" role="alert">
    <span class="huge">{{ t('stopScreen.stop') }}</span>
    <p class="why" data-testid="stop-reason">{{ stopReason(stop, p) }}</p>
  </div>
  <ol v-if="suspects" class="causes" data-testid="stop-causes">
    <li
      v-for="each in suspects.filter(({ share }) => share > 0.08).slice(0, 3)"
      :key="each.key"
      :data-suspect="each.key"
    >
      <b>{{ named(each.words).charAt(0).toUpperCase() + named(each.words).slice(1) }}.</b> {{ each.look }}
    </li>
  </ol>
  <RunRemarks v-if="acknowledged" class="remarks" />
  <div class="hands">
    <BoardButton v-if="silent" @click="emit('sound')">{{ t('stopScreen.soundOffTap') }}</BoardButton><BoardButton
      v-if="!acknowledged"
      @click="emit('off')"
      >{{ t('stopScreen.theSwitchIsOff') }}</BoardButton
    >
    <template v-else
      ><BoardButton @click="emit('finish')">{{ t('stopScreen.endTheRun') }}</BoardButton
      ><BoardButton @click="trace">{{ t('stopScreen.traceIt') }}</BoardButton
      ><BoardButton @click="emit('leave')">{{ t('stopScreen.backToTheBench') }}</BoardButton></template
    >
  </div>
</template>

<style scoped>
.huge {
  display: block;
  font-size: clamp(120px, 27vw, 380px);
  line-height: 0.92;
  font-weight: 800;
  font-stretch: 82%;
  letter-spacing: -0.03em;
}
.why {
  font-size: clamp(26px, 3.6vw, 46px);
  line-height: 1.15;
  font-weight: 650;
}
.causes {
  font-size: 20px;
  line-height: 1.35;
  margin: 0;
  padding-left: 28px;
  display: grid;
  gap: 6px;
}
.remarks {
  background: var(--sheet);
  color: var(--ink);
  padding: 8px 14px;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  padding: 10px 0 22px;
}
.hands > :deep(.big) {
  background: #fff;
  color: #7d1f1a;
  border-color: #fff;
  min-width: 240px;
  font-size: 24px;
}
</style>
