<script setup lang="ts">
import { ask, refusedWords } from '~/sync/ask'
import type { Backups } from '~/sync/routes'
import { stretch } from '~/composables/words'

/** How the shop's backups stand: when the last good one was made, and one made now where it is old or came to nothing. */
const MINUTE = 60_000
const DAY = 86_400_000
/** It makes one each day by itself: older than this, something is in its way. */
const OLD = 2 * DAY
const state = ref<Backups>()
const problem = ref('')
const now = useClock(60_000)
const old = computed(
  () =>
    state.value !== undefined &&
    (state.value.last === undefined ? state.value.failed !== undefined : now.value - state.value.last > OLD),
)
const words = computed(() => {
  if (!state.value) return ''
  const { last, failed, running } = state.value
  if (running) return 'Backing up.'
  const age = last === undefined ? 0 : now.value - last
  const stands =
    last === undefined ? 'No backup yet' : age < MINUTE ? 'Backed up just now' : `Last good backup ${stretch(age)} ago`
  if (failed) return `${stands}. The last try came to nothing: ${failed}`
  return last === undefined
    ? 'No backup yet: the first is made by itself in a few minutes.'
    : `${stands}${old.value ? ': it is old.' : '.'}`
})
async function look() {
  state.value = await ask('GET /api/backups').catch(() => undefined)
}
async function make() {
  problem.value = ''
  if (state.value) state.value = { ...state.value, running: true }
  await ask('POST /api/backups', { body: {} }).catch(
    (error: unknown) => (problem.value = refusedWords(error, 'The server does not answer.')),
  )
  await look()
}
onMounted(look)
</script>

<template>
  <section v-if="state" class="backup" :class="{ old }" aria-label="Backups" data-testid="backup">
    <p :role="old ? 'alert' : 'status'">
      {{ words }} <span class="quiet">In {{ state.folder }}: copy them to another disk too.</span>
    </p>
    <Button type="button" variant="outlined" :disabled="state.running" @click="make">Back up now</Button>
    <p v-if="problem && !state.failed" class="wrong" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.backup {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  align-items: center;
  justify-content: space-between;
  padding: 18px 8px 0;
}
.backup p {
  overflow-wrap: anywhere;
  flex: 1 1 300px;
}
.old p:first-child {
  color: var(--watch);
  font-weight: 600;
}
.wrong {
  color: var(--stop);
}
</style>
