<script setup lang="ts">
import { t } from '~/words/of/frame'
import { ask, Refused, refusedWords } from '~/sync/ask'
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
  if (running) return away.value ? '' : t('backupLine.backingUp')
  const age = last === undefined ? 0 : now.value - last
  const stands =
    last === undefined
      ? t('backupLine.noBackupYet')
      : age < MINUTE
        ? t('backupLine.backedUpJustNow')
        : t('backupLine.lastGoodBackupAgo', { age: stretch(age) })
  if (failed) return t('backupLine.theLastTryCameToNothing', { stands, failed })
  return last === undefined
    ? t('backupLine.noBackupYetTheFirstIs')
    : `${stands}${old.value ? t('backupLine.itIsOld') : '.'}`
})
/** While one is being made it is looked how it goes on, and a server that did not answer is asked anew, ms. */
const LOOKS = 2000
let next: ReturnType<typeof setTimeout> | undefined
let left = false
/** Nothing was answered, or by a server that is just starting: what was known stands, and is not said to go on. */
const away = ref(false)
async function look() {
  clearTimeout(next)
  try {
    state.value = await ask('GET /api/backups')
    away.value = false
  } catch (error) {
    away.value = !(error instanceof Refused && error.reached && error.refusal.status < 500)
    if (!away.value) state.value = undefined
  }
  if (!left && (away.value || state.value?.running)) next = setTimeout(look, LOOKS)
}
async function make() {
  clearTimeout(next)
  problem.value = ''
  if (state.value) state.value = { ...state.value, running: true }
  await ask('POST /api/backups', { body: {} }).catch((error: unknown) => (problem.value = refusedWords(error, '')))
  await look()
}
onMounted(look)
onBeforeUnmount(() => {
  left = true
  clearTimeout(next)
})
</script>

<template>
  <section v-if="state" class="backup" :class="{ old }" :aria-label="t('backupLine.backups')" data-testid="backup">
    <p :role="old ? 'alert' : 'status'">
      {{ words }} <span class="quiet">{{ t('backupLine.inCopyThemToAnotherDisk', { folder: state.folder }) }}</span>
    </p>
    <Button type="button" variant="outlined" :disabled="state.running || away" @click="make">{{
      t('backupLine.backUpNow')
    }}</Button>
    <a href="/api/archive" download>{{ t('backupLine.theWholeShopAsAnArchive') }}</a>
    <p v-if="away || (problem && !state.failed)" class="wrong" role="alert">
      {{ away ? t('backupLine.theServerDoesNotAnswer') : problem }}
    </p>
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
.backup a {
  line-height: 44px;
}
.wrong {
  color: var(--stop);
}
</style>
