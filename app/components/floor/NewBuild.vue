<script setup lang="ts">
import { v4 as uuid } from 'uuid'
import { PRESETS } from '#core/record/layouts'
import { ask, refusedWords } from '~/sync/ask'

/** Begins a build: a layout of the shop's own or a preset, and what the engine is called. */
const wanted = reactive({ preset: 'inline4', name: '', engine: '', work: '' })
const shop = useShop()
void shop.load()
/** The shop's own layouts first, then the presets. */
const layouts = computed(() => [
  ...shop.house.layouts.map(({ name }, i) => ({ value: `shop.${i}`, words: name })),
  ...Object.entries(PRESETS).map(([key, preset]) => ({ value: key, words: preset.title })),
])
const problem = ref<Record<string, string>>({})

function bodyOf() {
  const { preset, ...names } = wanted
  const own = /^shop\.(\d+)$/.exec(preset)
  return own ? { ...names, layout: shop.house.layouts[Number(own[1])].layout } : { ...names, preset }
}
/** Sent with the request, so that one pressed twice is begun once. */
let wantedId = uuid()
const creating = ref(false)
async function create() {
  if (creating.value) return
  problem.value = {}
  if (!wanted.name.trim()) problem.value.name = 'Give it a name, such as the boat or the owner.'
  if (!wanted.engine.trim()) problem.value.engine = 'Say which engine it is.'
  if (Object.keys(problem.value).length > 0) return
  creating.value = true
  try {
    const made = await ask('POST /api/builds', { body: { id: wantedId, ...bodyOf() } })
    wantedId = uuid()
    await navigateTo(`/build/${made.id}/brief`)
  } catch (error) {
    problem.value.all = refusedWords(error, 'The server does not answer. What you typed is kept; try again.')
  } finally {
    creating.value = false
  }
}
</script>

<template>
  <form class="new" @submit.prevent="create">
    <span class="field"
      >Layout<ChoiceField label="Layout" :value="wanted.preset" :options="layouts" @choose="wanted.preset = $event"
    /></span>
    <label
      >Name<InputText v-model="wanted.name" maxlength="120" autocomplete="off" :aria-invalid="!!problem.name" /><span
        v-if="problem.name"
        class="wrong"
        role="alert"
        >{{ problem.name }}</span
      ></label
    >
    <label
      >Engine<InputText
        v-model="wanted.engine"
        maxlength="120"
        autocomplete="off"
        :aria-invalid="!!problem.engine"
      /><span v-if="problem.engine" class="wrong" role="alert">{{ problem.engine }}</span></label
    >
    <label
      >Out of<InputText v-model="wanted.work" maxlength="200" autocomplete="off" placeholder="what it drives"
    /></label>
    <Button type="submit" :disabled="creating">Start build</Button>
    <p v-if="problem.all" class="wrong" role="alert">{{ problem.all }}</p>
  </form>
</template>

<style scoped>
.new {
  display: grid;
  grid-template-columns: 170px 1fr 1fr 1fr auto;
  gap: 14px;
  align-items: end;
  padding: 4px 0 22px;
}
.new label,
.new .field {
  display: grid;
  gap: 3px;
  color: var(--quiet);
  align-self: start;
}
.new .p-inputtext {
  height: 46px;
  font-size: 18px;
  width: 100%;
}
.new .p-button {
  align-self: start;
  margin-top: 24px;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 1099px) {
  .new {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 760px) {
  .new {
    grid-template-columns: 1fr;
  }
}
</style>
