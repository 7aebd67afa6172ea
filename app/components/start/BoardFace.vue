<script setup lang="ts">
import { figure } from '~/words/numbers'
import { t } from '~/words/of/start'
import { t as tSound } from '~/words/of/sound'
import { WATCH_WORDS } from '~/words/start'
import type { Board } from '~/composables/useStartBoard'

/** What is read from across the shop: one word, the pressure now, and what both stand on. */
const { board } = defineProps<{ board: Board }>()
const units = useUnits()
const run = useRun()
/** Apart from the rest, so that the template reads plainly. */
const { seen, rules, word, phase, warning, read, old, speed, speedBy, temperature } = board
/** The speed, and what it stands on: never as if a tachometer said it. */
const says = computed(() => {
  if (speed.value === undefined) return t('boardFace.speedNotKnown')
  const now = units.say(speed.value, 'speed')
  if (!speedBy.value) return now
  return tSound(speedBy.value === 'ear' ? 'board.byEar' : 'board.byThrottle', { speed: now })
})
/** Under the word: what is counted, what is unusual, or when pressure came. */
const under = computed(() => {
  if (phase.value === 'rest') return t('boardFace.noPressureSAfterFiringOff', { deadline: rules.value?.deadline ?? 5 })
  if (seen.value?.countdown !== undefined) return t('boardFace.secondsToFirstPressure')
  if (warning.value) return WATCH_WORDS[warning.value]
  const first = seen.value?.firstPressure
  if (phase.value !== 'running' || first === undefined) return ''
  return first < 0.2 ? t('boardFace.pressureAtOnce') : t('boardFace.pressureAfterS', { first: figure(first, 1) })
})
</script>

<template>
  <div class="face" :class="phase">
    <div class="say">
      <span
        class="huge word"
        :class="{ count: seen?.countdown !== undefined, blind: board.blind.value.length > 0 }"
        data-testid="board-word"
        >{{ word }}</span><span class="under">{{ under }}</span>
    </div>
    <div class="say right">
      <span v-if="read && seen" class="huge mono" :class="{ old: old !== undefined }" data-testid="board-pressure"
        >{{ units.show(seen.pressure, 'pressure', units.fine) }}<small>{{ units.unit('pressure').symbol }}</small></span
      >
      <span v-else class="unread" data-testid="board-pressure">{{
        t(run.ended ? 'boardFace.nothingRead' : 'boardFace.nothingReadYet')
      }}</span>
      <span class="under mono"
        ><b v-if="old !== undefined" class="ago" data-testid="read-ago"
          >{{ t('boardFace.readSAgo', { old }) }}{{ ' ' }}</b
        ><span data-testid="board-speed">{{ says }}</span> ·
        {{ temperature === undefined ? t('boardFace.oilNotKnown') : units.say(temperature, 'temperature')
        }}<template v-if="seen?.expected && phase === 'running'"
          >{{ ' '
          }}{{
            t('boardFace.expectTo', {
              low: units.show(seen.expected.low, 'pressure', units.fine),
              high: units.show(seen.expected.high, 'pressure', units.fine),
            })
          }}</template
        ></span
      >
    </div>
  </div>
</template>

<style scoped>
.face {
  display: flex;
  justify-content: space-between;
  gap: 8px 40px;
  align-items: start;
  background: inherit;
  z-index: 1;
}
@media (min-height: 640px) {
  .face {
    position: sticky;
    top: -22px;
    padding-top: 22px;
    margin-top: -22px;
  }
}
.say {
  display: grid;
}
.right {
  justify-items: end;
  text-align: right;
}
.huge {
  font-size: clamp(84px, 15vw, 210px);
  line-height: 0.92;
  font-weight: 800;
  font-stretch: 82%;
  letter-spacing: -0.03em;
}
.huge.mono {
  font-weight: 600;
  font-stretch: 100%;
  letter-spacing: -0.06em;
}
.huge small {
  font-size: 0.22em;
  color: var(--quiet);
  letter-spacing: 0;
  margin-left: 10px;
  font-family: var(--type);
}
.word {
  color: var(--pass);
}
.over .word {
  color: var(--ink);
  font-size: clamp(40px, 6vw, 90px);
}
.cranking .word,
.word.count {
  color: var(--petrol);
}
.word.blind {
  color: var(--stop);
  font-size: clamp(44px, 6vw, 88px);
}
.under {
  font-size: 22px;
  min-height: 30px;
}
.old {
  opacity: 0.55;
}
.unread {
  font-size: clamp(34px, 5vw, 64px);
  color: var(--quiet);
  font-weight: 650;
  font-stretch: 88%;
}
.ago {
  color: var(--stop);
}
@media (max-width: 760px) {
  .face {
    flex-wrap: wrap;
    top: -12px;
    padding-top: 12px;
    margin-top: -12px;
  }
}
</style>
