<script setup lang="ts">
import { t } from '~/words/of/floor'
import { v4 as uuid } from 'uuid'
import { ask, refusedWords } from '~/sync/ask'

/** Begins the guided build: a sample engine of its own that no list shows. */
const { quiet = false } = defineProps<{ quiet?: boolean }>()
const problem = ref('')
const starting = ref(false)
/** Sent with the request, so that one pressed twice is begun once. */
let wantedId = uuid()
async function start() {
  if (starting.value) return
  starting.value = true
  problem.value = ''
  try {
    const { id } = await ask('POST /api/builds/sandbox', { body: { id: wantedId } })
    wantedId = uuid()
    await navigateTo(`/build/${id}/brief`)
  } catch (error) {
    problem.value = refusedWords(error, t('guideStart.theServerDoesNotAnswerTry'))
  } finally {
    starting.value = false
  }
}
</script>

<template>
  <span
    ><Button type="button" :variant="quiet ? 'text' : undefined" :disabled="starting" @click="start">{{
      t('guideStart.startAGuidedBuild')
    }}</Button
    ><span v-if="problem" class="wrong" role="alert">{{ problem }}</span></span
  >
</template>

<style scoped>
.wrong {
  color: var(--stop);
  margin-left: 10px;
}
</style>
