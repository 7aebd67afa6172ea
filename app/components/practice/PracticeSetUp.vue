<script setup lang="ts">
import { t } from '~/words/of/practice'
import { PRESETS } from '#core/record/layouts'
import { canHave } from '#core/engine/faults'
import { newSheet } from '#core/record/layouts'
import { CAUSES } from '#core/trace/priors'
import type { Cause } from '#core/trace/vocabulary'
import { codeOf, HARDNESS, type Hardness, type PracticeTask, seedOf, taskOf } from '#core/practice/task'
import { askOrSeen } from '~/sync/lastSeen'
import { HARDNESS_WORDS } from '~/words/practice'
import { causeWords } from '~/words/trace'
import { named } from '~/words/speak'

/** Which engine, how hard, or the code of somebody who set it. */
const emit = defineEmits<{ begin: [task: PracticeTask, engine: string, build?: string] }>()
const ANY = 'any'
const engine = ref('inline4')
const hardness = ref<Hardness>('plain')
const cause = ref<Cause | typeof ANY>(ANY)
const seed = ref(newSeed())
const teaching = ref(false)
const typed = ref('')
const refused = ref('')
const builds = ref<{ id: string; name: string; engine: string }[]>([])
// Without the network the layouts are there all the same.
onMounted(async () => {
  const seen = await askOrSeen('GET /api/builds').catch(() => undefined)
  builds.value = (seen?.answer ?? []).filter(({ place }) => place === 'floor')
})
function newSeed() {
  return seedOf(crypto.getRandomValues(new Uint32Array(1))[0]!)
}
const titleOf = (preset: string) => named(PRESETS[preset]!.title)
const presets = Object.keys(PRESETS).map((value) => ({ value, words: titleOf(value) }))
const engines = computed(() => [
  ...presets,
  ...builds.value.map(({ id, name }) => ({ value: id, words: t('practice.aCopyOf', { name }) })),
])
const build = computed(() => builds.value.find(({ id }) => id === engine.value))
const possible = computed(() => {
  const { layout } = newSheet(engine.value in PRESETS ? engine.value : 'inline4', 'a', 'a')
  return CAUSES.filter((each) => each === 'by-design' || canHave(each, layout))
})
watch(engine, () => cause.value !== ANY && !possible.value.includes(cause.value) && (cause.value = ANY))
const causes = computed(() => [
  { value: ANY, words: t('practice.anyFault') },
  ...possible.value.map((value) => ({ value, words: causeWords(value) })),
])
const task = computed<PracticeTask>(() => ({
  preset: build.value ? 'inline4' : engine.value,
  seed: seed.value,
  hardness: hardness.value,
  ...(teaching.value && cause.value !== ANY ? { cause: cause.value as Cause } : {}),
}))
const begin = () =>
  build.value
    ? emit('begin', task.value, build.value.engine, build.value.id)
    : emit('begin', task.value, titleOf(engine.value))
function take() {
  const found = taskOf(typed.value)
  refused.value = found
    ? ''
    : t('practice.noCode', {
        typed: typed.value,
        example: codeOf({ preset: 'inline4', seed: 4711, hardness: 'plain' }),
      })
  if (found) emit('begin', found, titleOf(found.preset))
}
</script>

<template>
  <section class="setup" data-testid="practice-setup">
    <p>{{ t('practice.anEngineWithAFault') }}</p>
    <div class="row">
      <span class="what">{{ t('practice.engine') }}</span><ChoiceField
        :label="t('practice.engine')"
        :value="engine"
        :options="engines"
        @choose="engine = $event"
      />
    </div>
    <div class="row">
      <span class="what">{{ t('practice.theFaultIs') }}</span><SegmentChoice
        :label="t('practice.theFaultIs')"
        :value="hardness"
        :options="HARDNESS.map((value) => ({ value, words: HARDNESS_WORDS[value] }))"
        @choose="hardness = $event ?? hardness"
      />
    </div>
    <div class="go">
      <Button type="button" @click="begin">{{ t('practice.begin') }}</Button><Button
        v-if="!build"
        type="button"
        variant="text"
        :aria-expanded="teaching"
        @click="teaching = !teaching"
        >{{ t('practice.setItForAnother') }}</Button
      >
    </div>
    <div v-if="teaching && !build" class="teach">
      <div class="row">
        <span class="what">{{ t('practice.whatIsWrong') }}</span><ChoiceField
          :label="t('practice.whatIsWrong')"
          :value="cause"
          :options="causes"
          @choose="cause = $event as typeof cause"
        />
      </div>
      <div class="row">
        <span class="what">{{ t('practice.codeToShare') }}</span><span class="code mono" data-testid="practice-code">{{
          codeOf(task)
        }}</span>
      </div>
      <Button type="button" variant="text" @click="seed = newSeed()">{{ t('practice.anotherDraw') }}</Button>
    </div>
    <h2>{{ t('practice.orACode') }}</h2>
    <form class="row" @submit.prevent="take">
      <span class="what">{{ t('practice.code') }}</span>
      <span class="pair"
        ><InputText
          v-model="typed"
          class="mono"
          :aria-label="t('practice.code')"
          :aria-invalid="refused !== ''"
          aria-describedby="practice-code-wrong"
          maxlength="20"
          autocapitalize="characters"
          autocomplete="off"
        /><Button type="submit" variant="outlined">{{ t('practice.takeTheCode') }}</Button></span
      >
    </form>
    <p v-if="refused" id="practice-code-wrong" class="wrong" role="alert">{{ refused }}</p>
  </section>
</template>

<style scoped>
.setup {
  max-width: 780px;
}
.setup > p {
  margin-bottom: 14px;
}
.setup h2 {
  margin: 26px 0 6px;
}
.go {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 16px 0;
}
.code {
  font-size: 26px;
  letter-spacing: 0.06em;
}
.pair {
  display: flex;
  gap: 10px;
}
.pair .p-inputtext {
  height: 46px;
  width: 160px;
  font-size: 18px;
  text-transform: uppercase;
}
.wrong {
  display: block;
  color: var(--stop);
}
</style>
