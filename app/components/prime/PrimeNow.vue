<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { WORD_TITLES } from '#core/prime/steps'
import type { PrimeLive } from '~/composables/usePrimeLive'

/** The gauge of a prime and the word that stands, with what fits it where it asks to stop. */
const { live } = defineProps<{ live: PrimeLive }>()
const units = useUnits()
const run = useRun()
/** Apart, so that the template reads plainly. */
const { setUp, seen, read, word, tone, spans, sentence, suspects } = live
</script>

<template>
  <div class="live" :data-word="word?.code" :data-level="word?.level">
    <div class="now">
      <span class="quiet">{{
        !read ? t('primeNow.nothingRead') : run.ended ? t('primeNow.stoodAt') : t('primeNow.now')
      }}</span><span class="mono pressure" data-testid="live-pressure"
        >{{ read ? units.show(seen.gauge, 'pressure', units.fine) : '–'
        }}<small>{{ units.unit('pressure').symbol }}</small></span
      ><span class="quiet mono">{{
        t(setUp.method === 'tank' ? 'primeNow.sOpen' : 'primeNow.sTurned', { turned: Math.round(seen.turned) })
      }}</span>
    </div>
    <div class="word" :class="[tone, word?.code]" role="status" aria-live="assertive">
      <b data-testid="prime-word">{{
        word ? WORD_TITLES[word.code] : run.ended ? (run.run?.outcome ?? t('primeNow.over')) : t('primeNow.ready')
      }}</b><span v-if="!run.ended">{{ spans.length === 0 && !word ? t('primeNow.sayWhenItTurns') : sentence }}</span>
      <ol v-if="word?.level === 'stop' && suspects" class="suspects" data-testid="suspects">
        <li
          v-for="each in suspects.filter(({ share }) => share > 0.08).slice(0, 3)"
          :key="each.key"
          :data-suspect="each.key"
        >
          <b>{{ named(each.words).charAt(0).toUpperCase() + named(each.words).slice(1) }}</b>{{
            t('primeNow.in100', { share: Math.round(100 * each.share), look: each.look })
          }}
        </li>
      </ol>
      <TraceLink v-if="word?.level === 'stop'" />
    </div>
  </div>
</template>

<style scoped>
.live {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 14px 30px;
  align-items: start;
}
.now {
  display: grid;
}
.pressure {
  font-size: 64px;
  line-height: 1;
  letter-spacing: -0.03em;
}
.pressure small {
  font-size: 20px;
  color: var(--quiet);
  margin-left: 8px;
  font-family: var(--type);
  letter-spacing: 0;
}
.word {
  border-left: 8px solid var(--petrol);
  padding: 6px 0 6px 16px;
  display: grid;
  gap: 3px;
  min-height: 84px;
  align-content: start;
}
.word b {
  font-size: 24px;
  font-stretch: 88%;
  line-height: 1.15;
}
.word.fine {
  border-color: var(--pass);
}
.word.watch {
  border-color: var(--watch);
}
.word.not-watching {
  border: 3px dotted var(--stop);
  padding-left: 13px;
}
.word.not-watching > b {
  color: var(--stop);
}
.word.stop {
  border-color: var(--stop);
  background: var(--stop-wash);
}
.word.stop > b {
  color: var(--stop);
}
.suspects {
  margin: 6px 0 0;
  padding-left: 22px;
  display: grid;
  gap: 4px;
}
.suspects b {
  font-size: 15px;
}
@media (max-width: 760px) {
  .live {
    grid-template-columns: 1fr;
  }
}
</style>
