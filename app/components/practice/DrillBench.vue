<script setup lang="ts">
import { t } from '~/words/of/practice'
import { STARTS } from '#core/practice/drill'
import { seedOf } from '#core/practice/task'
import { PRESETS } from '#core/record/layouts'
import { figure } from '~/words/numbers'
import { named } from '~/words/speak'
import { FAULT_WORDS } from '~/words/faults'
import { stopReason } from '~/words/start'

/** The ten seconds in which an engine is called off or let run, twenty times over. */
const units = useUnits()
const drill = useDrill()
const { phase, share, failed, start, calls, time, sample, score } = drill
const preset = ref('inline4')
const presets = Object.keys(PRESETS).map((value) => ({ value, words: named(PRESETS[value]!.title) }))
const begin = () =>
  drill.draw(preset.value, named(PRESETS[preset.value]!.title), seedOf(crypto.getRandomValues(new Uint32Array(1))[0]!))
const p = (value: number) => units.say(value, 'pressure', units.fine)
const fired = computed(() => start.value !== undefined && time.value >= start.value.firedAt)
const last = computed(() => calls.value.at(-1))
/** What a start was, and what the hand made of it. */
const verdict = computed(() => {
  const { stop, fault } = start.value!
  const right = (stop === undefined) === (last.value === undefined)
  const said = stop ? stopReason(stop, p) : t('drill.itWasSound')
  const hand =
    last.value === undefined ? t('drill.youLetItRun') : t('drill.youStoppedAt', { time: figure(last.value, 1) })
  return {
    right,
    words: [hand, fault ? `${t('practice.itWas', { cause: FAULT_WORDS[fault] })}.` : '', said]
      .filter(Boolean)
      .join(' '),
  }
})
/** The space bar stops, and goes on. */
function key(event: KeyboardEvent) {
  if (event.code !== 'Space' || event.repeat) return
  if (phase.value === 'running') void drill.stop()
  else if (phase.value === 'ready' || phase.value === 'between') drill.go()
  else return
  event.preventDefault()
}
onMounted(() => addEventListener('keydown', key))
onBeforeUnmount(() => removeEventListener('keydown', key))
</script>

<template>
  <section data-testid="drill" :data-phase="phase">
    <template v-if="phase === 'rest'">
      <p>{{ t('drill.twentyStarts') }}</p>
      <p v-if="failed" class="wrong" role="alert">{{ t('practice.notWorkedOut', { why: failed }) }}</p>
      <div class="row">
        <span class="what">{{ t('practice.engine') }}</span><ChoiceField
          :label="t('practice.engine')"
          :value="preset"
          :options="presets"
          @choose="preset = $event"
        />
      </div>
      <Button type="button" class="begin" @click="begin">{{ t('drill.begin') }}</Button>
    </template>
    <template v-else-if="phase === 'drawing'">
      <p>{{ t('drill.drawing') }}</p>
      <ProgressBar :value="Math.round(100 * share)" />
      <Button type="button" variant="text" @click="drill.leave()">{{ t('drill.cancel') }}</Button>
    </template>
    <template v-else-if="phase === 'ended'">
      <h2>{{ t('drill.rightOf', { right: score!.right, starts: STARTS }) }}</h2>
      <dl class="figures">
        <div>
          <dt>{{ t('drill.rightCalls') }}</dt>
          <dd class="mono" data-testid="drill-right">{{ score!.right }}</dd>
        </div>
        <div>
          <dt>{{ t('drill.falseStops') }}</dt>
          <dd class="mono">{{ score!.falseStops }}</dd>
        </div>
        <div>
          <dt>{{ t('drill.missed') }}</dt>
          <dd class="mono">{{ score!.missed }}</dd>
        </div>
        <div v-if="score!.reaction !== undefined">
          <dt>{{ t('drill.reaction') }}</dt>
          <dd class="mono">{{ figure(score!.reaction, 1) }}</dd>
        </div>
        <div>
          <dt>{{ t('drill.late') }}</dt>
          <dd class="mono">{{ figure(score!.late, 1) }}</dd>
        </div>
      </dl>
      <Button type="button" @click="drill.leave()">{{ t('drill.again') }}</Button>
    </template>
    <template v-else>
      <p class="quiet">
        {{ t('drill.startOf', { n: Math.min(STARTS, calls.length + (phase === 'between' ? 0 : 1)), starts: STARTS }) }}
      </p>
      <div v-if="phase === 'running'" class="face">
        <span class="huge mono" data-testid="drill-pressure"
          >{{ units.show(sample?.pressure ?? 0, 'pressure', units.fine)
          }}<small>{{ units.unit('pressure').symbol }}</small></span
        >
        <p class="under mono">
          {{ units.say(sample?.speed ?? 0, 'speed') }} ·
          {{ fired ? t('drill.sinceItFired', { time: figure(time - start!.firedAt, 1) }) : t('drill.starterTurns') }}
        </p>
      </div>
      <p v-if="phase === 'ready'">{{ t('drill.ready') }}</p>
      <p v-if="phase === 'between'" class="verdict" :class="verdict.right ? 'pass' : 'stop'" role="status">
        <b>{{ t(verdict.right ? 'drill.right' : 'drill.wrong') }}</b> {{ verdict.words }}
      </p>
      <Button v-if="phase === 'running'" type="button" class="stop-it" severity="danger" @click="drill.stop()">{{
        t('drill.stop')
      }}</Button>
      <Button v-else type="button" class="go" @click="drill.go()">{{
        t(phase === 'ready' ? 'drill.start' : 'drill.next')
      }}</Button>
      <Button v-if="phase !== 'running'" type="button" variant="text" @click="drill.leave()">{{
        t('drill.cancel')
      }}</Button>
    </template>
  </section>
</template>

<style scoped>
.begin {
  margin-top: 16px;
}
.huge {
  font-size: clamp(84px, 15vw, 190px);
  line-height: 0.95;
  letter-spacing: -0.06em;
}
.huge small {
  font-size: 0.22em;
  color: var(--quiet);
  letter-spacing: 0;
  margin-left: 10px;
  font-family: var(--type);
}
.under {
  font-size: 22px;
  margin: 8px 0 14px;
}
.stop-it {
  width: 100%;
  min-height: 150px;
  font-size: 56px;
  font-weight: 800;
  background: var(--stop);
  border-color: var(--stop);
  color: var(--sheet);
}
.go {
  min-height: 68px;
  min-width: 190px;
  font-size: 22px;
}
.verdict {
  margin: 8px 0 16px;
  font-size: 20px;
}
.verdict.pass b {
  color: var(--pass);
}
.verdict.stop b {
  color: var(--stop);
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 30px;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  font-size: 34px;
}
</style>
