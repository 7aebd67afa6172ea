<script setup lang="ts">
import { t } from '~/words/of/floor'
import { v4 as uuid } from 'uuid'
import { ask, Refused, refusedWords } from '~/sync/ask'

/** A build file or an archive taken in, by button or dropped anywhere on the floor; what is wrong with it is said field by field, and nothing is begun. */
const problem = ref('')
const report = shallowRef<{ path: string; message: string }[]>([])
const dragging = ref(false)
const busy = ref('')
const taken = ref('')
const emit = defineEmits<{ taken: [] }>()
/** Largest file that the server takes, bytes, and most lines of a report that are shown. */
const LARGEST = 1_000_000
const MOST = 40
const LARGEST_ARCHIVE = 300_000_000

async function take(file: File) {
  problem.value = ''
  report.value = []
  taken.value = ''
  if (/\.zip$/i.test(file.name)) return takeArchive(file)
  if (file.size > LARGEST) return void (problem.value = t('importBuild.isLargerThan1MbNo', { name: file.name }))
  let sheet: unknown
  try {
    sheet = JSON.parse(await file.text())
  } catch {
    return void (problem.value = t('importBuild.isNoBuildFileItIs', { name: file.name }))
  }
  try {
    const made = await ask('POST /api/builds', { body: { id: uuid(), sheet } })
    await navigateTo(`/build/${made.id}/brief`)
  } catch (error) {
    problem.value = t('importBuild.wasNotTaken', {
      name: file.name,
      refusedWords: refusedWords(error, t('importBuild.theServerDoesNotAnswerDrop')),
    })
    if (error instanceof Refused) report.value = error.refusal.problems
  }
}
/** An archive: all of it or nothing. One engine is opened, of several the floor is shown anew. */
async function takeArchive(file: File) {
  if (file.size > LARGEST_ARCHIVE) return void (problem.value = t('importBuild.archiveTooLarge', { name: file.name }))
  busy.value = t('importBuild.takingIn', { name: file.name })
  try {
    const { builds, house, shelf } = await ask('POST /api/archive', {
      body: new Blob([file], { type: 'application/zip' }),
    })
    if (builds.length === 1 && shelf === 0) return void (await navigateTo(`/build/${builds[0].id}/logbook`))
    taken.value = [
      t('importBuild.taken', { names: builds.map(({ name }) => name).join(', ') }),
      house === 'taken' ? t('importBuild.rulesTaken') : house === 'left' ? t('importBuild.rulesLeft') : '',
      shelf > 0 ? t('importBuild.shelfTaken', { shelf }, shelf) : '',
    ]
      .filter(Boolean)
      .join(' ')
    emit('taken')
  } catch (error) {
    problem.value = t('importBuild.wasNotTaken', {
      name: file.name,
      refusedWords: refusedWords(error, t('importBuild.theServerDoesNotAnswerDrop')),
    })
  } finally {
    busy.value = ''
  }
}
const over = (event: DragEvent) => {
  if (!event.dataTransfer?.types.includes('Files')) return
  event.preventDefault()
  dragging.value = true
}
function drop(event: DragEvent) {
  if (!dragging.value) return
  event.preventDefault()
  dragging.value = false
  const file = event.dataTransfer?.files[0]
  if (file) void take(file)
}
const leave = (event: DragEvent) => event.relatedTarget === null && (dragging.value = false)
onMounted(() => {
  addEventListener('dragover', over)
  addEventListener('drop', drop)
  addEventListener('dragleave', leave)
})
onBeforeUnmount(() => {
  removeEventListener('dragover', over)
  removeEventListener('drop', drop)
  removeEventListener('dragleave', leave)
})
/** `readings/main.1.bore/value` as a place in words. */
const placeOf = (path: string) => path.replace(/^sheet\/?/, '').replaceAll('/', ', ') || t('importBuild.theFile')
</script>

<template>
  <FilePick
    :words="t('importBuild.importABuildFile')"
    accept=".json,.zip,application/json,application/zip"
    outlined
    @pick="take"
  />
  <Teleport to="body"
    ><div v-if="dragging" class="dropping">
      <span>{{ t('importBuild.dropTheBuildFile') }}</span>
    </div></Teleport
  >
  <Teleport to="#import-report" defer>
    <NoteBar v-if="busy || taken" kind="told" data-testid="import-taken">
      <p role="status">{{ busy || taken }}</p>
      <ProgressBar v-if="busy" mode="indeterminate" :aria-label="busy" />
      <template v-if="taken" #actions
        ><Button type="button" variant="outlined" @click="taken = ''">{{ t('importBuild.close') }}</Button></template
      >
    </NoteBar>
    <NoteBar v-if="problem" kind="stop" data-testid="import-report">
      <p>{{ problem }}</p>
      <dl v-if="report.length > 0">
        <template v-for="{ path, message } in report.slice(0, MOST)" :key="path + message"
          ><dt class="mono">{{ placeOf(path) }}</dt>
          <dd>{{ message }}</dd></template
        >
      </dl>
      <p v-if="report.length > MOST">{{ t('importBuild.more', { count: report.length - MOST }) }}</p>
      <template #actions
        ><Button type="button" variant="outlined" @click="problem = ''">{{ t('importBuild.close') }}</Button></template
      >
    </NoteBar>
  </Teleport>
</template>

<style scoped>
.dropping {
  position: fixed;
  inset: 0;
  z-index: 60;
  display: grid;
  place-items: center;
  background: color-mix(in srgb, var(--paper) 80%, transparent);
  border: 4px dashed var(--petrol);
  font-size: 24px;
  font-weight: 700;
  pointer-events: none;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(0, 1fr);
  gap: 4px 16px;
  margin: 8px 0 0;
}
dt {
  overflow-wrap: anywhere;
}
dd {
  margin: 0;
}
</style>
