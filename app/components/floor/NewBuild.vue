<script setup lang="ts">
import { t } from '~/words/of/floor'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { v4 as uuid } from 'uuid'
import { BuildNames } from '#core/record/begin'
import { PRESETS } from '#core/record/layouts'
import { ask, refusedWords } from '~/sync/ask'

/** Begins a build: a layout of the shop's own or a preset, and what the engine is called. */
const shop = useShop()
void shop.load()
const from = ref('inline4')
/** The shop's own layouts first, then the presets. */
const layouts = computed(() => [
  ...shop.house.layouts.map(({ name }, i) => ({ value: `shop.${i}`, words: name })),
  ...Object.entries(PRESETS).map(([key, preset]) => ({ value: key, words: preset.title })),
])
const problem = ref('')
const resolver = zodResolver(BuildNames)

/** Sent with the request, so that one pressed twice is begun once. */
let wantedId = uuid()
const creating = ref(false)
async function create({ valid, values }: { valid: boolean; values?: unknown }) {
  if (!valid || creating.value) return
  problem.value = ''
  creating.value = true
  const names = BuildNames.parse(values)
  const own = /^shop\.(\d+)$/.exec(from.value)
  try {
    const made = await ask('POST /api/builds', {
      body: {
        id: wantedId,
        ...names,
        ...(own ? { layout: shop.house.layouts[Number(own[1])].layout } : { preset: from.value }),
      },
    })
    wantedId = uuid()
    await navigateTo(`/build/${made.id}/brief`)
  } catch (error) {
    problem.value = refusedWords(error, t('newBuild.theServerDoesNotAnswerWhat'))
  } finally {
    creating.value = false
  }
}
</script>

<template>
  <Form class="new" :resolver="resolver" :initial-values="{ name: '', engine: '', work: '' }" @submit="create">
    <span class="field"
      >{{ t('newBuild.layout')
      }}<ChoiceField :label="t('newBuild.layout')" :value="from" :options="layouts" @choose="from = $event"
    /></span>
    <FormLine name="name" :label="t('newBuild.name')" maxlength="120" />
    <FormLine name="engine" :label="t('newBuild.engine')" maxlength="120" />
    <FormLine
      name="work"
      :label="t('newBuild.vehicleOrMachine')"
      maxlength="200"
      :placeholder="t('newBuild.whatItDrives')"
    />
    <Button type="submit" :disabled="creating">{{ t('newBuild.startBuild') }}</Button>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
  </Form>
</template>

<style scoped>
.new {
  display: grid;
  grid-template-columns: 170px 1fr 1fr 1fr auto;
  gap: 14px;
  align-items: start;
  padding: 4px 0 22px;
}
.new .field {
  display: grid;
  gap: 3px;
  color: var(--quiet);
  align-self: start;
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
