<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { ask } from '~/sync/ask'
import { catalogueOf } from '#core/engine/catalogue'
import { focusReading } from '~/composables/goToReading'
import { PAGES, readingPath, stationPath } from '~/composables/stations'
import { nextMissing } from '~/composables/useKeys'

const emit = defineEmits<{ close: [] }>()
const build = useBuild()
const router = useRouter()
const units = useUnits()
const person = usePerson()
const shop = useShop()
const visible = ref(true)
const text = ref('')
const chosen = ref(0)
const engines = ref<{ id: string; name: string; engine: string }[]>([])
onMounted(async () => {
  engines.value = (await ask('GET /api/builds').catch(() => [])).filter(({ place }) => place !== 'deleted')
})

interface Target {
  label: string
  kind: string
  to?: string
  reading?: string
  run?: () => unknown
}

/** Places on a journal and repeats of a kind are reached through their journal, not one by one. */
const all = computed((): Target[] => {
  const id = build.id ?? ''
  const sheet = build.sheet
  const actions: Target[] = sheet
    ? [
        { label: t('findPalette.nextReadingWorthTaking'), kind: 'action', run: () => nextMissing(router) },
        { label: t('findPalette.undoTheLastChange'), kind: 'action', run: build.undo },
        { label: t('findPalette.redo'), kind: 'action', run: build.redo },
        {
          label: t('findPalette.saveTheBuildFile'),
          kind: 'action',
          run: () => open(`/api/builds/${id}/file`, '_self'),
        },
      ]
    : []
  return [
    ...(sheet ? PAGES : []).map(({ page, title }) => ({ label: title, kind: 'station', to: stationPath(id, page) })),
    ...(sheet ? [...catalogueOf(sheet.layout).quantities.values()] : [])
      .filter(({ bearing }) => !bearing?.place)
      .map((quantity) => ({
        label: quantity.label,
        kind: quantity.station === 'start' ? t('findPalette.firstStart') : quantity.station,
        to: readingPath(id, quantity),
        reading: quantity.key,
      })),
    ...engines.value.map((engine) => ({
      label: `${engine.name}, ${engine.engine}`,
      kind: 'engine',
      to: stationPath(engine.id, 'brief'),
    })),
    ...actions,
    { label: t('findPalette.nextUnits'), kind: 'action', run: units.nextUnits },
    {
      label: t('findPalette.makeTheShopsUnits', { choiceName: units.choiceName }),
      kind: 'action',
      run: () => shop.save((next) => (next.units = units.choiceName)),
    },
    { label: t('findPalette.lightOrDark'), kind: 'action', run: person.flipScheme },
    { label: t('findPalette.newBuild'), kind: 'action', to: '/?new' },
    { label: t('findPalette.shelf'), kind: 'place', to: '/shelf' },
    { label: t('findPalette.houseRules'), kind: 'place', to: '/house' },
    { label: t('findPalette.practiceBench'), kind: 'place', to: '/practice' },
  ]
})
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  const hits = all.value.filter((each) =>
    words.every((word) => each.label.toLowerCase().includes(word) || each.kind.includes(word)),
  )
  return hits.sort((a, b) => early(a.label, words) - early(b.label, words)).slice(0, 9)
})
/** How early a name takes up the words that were typed; what it does not hold counts late. */
function early(label: string, words: string[]): number {
  return words.reduce((sum, word) => sum + (label.toLowerCase().indexOf(word) + 1 || 100), 0)
}
watch(text, () => (chosen.value = 0))

async function go(target = found.value[chosen.value]) {
  if (!target) return
  visible.value = false
  if (target.to) await router.push(target.to)
  if (target.reading) focusReading(target.reading)
  target.run?.()
}
function key(event: KeyboardEvent) {
  // Before anything is asked for or chosen, Enter goes nowhere: what a quick hand typed may not have come here.
  if (event.key === 'Enter') void ((text.value || chosen.value > 0) && go())
  else if (event.key === 'ArrowDown') chosen.value = Math.min(found.value.length - 1, chosen.value + 1)
  else if (event.key === 'ArrowUp') chosen.value = Math.max(0, chosen.value - 1)
  else return
  event.preventDefault()
}
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    dismissable-mask
    :show-header="false"
    position="top"
    class="find-box"
    :aria-label="t('findPalette.find')"
    @after-hide="emit('close')"
  >
    <InputText
      v-model="text"
      :placeholder="t('findPalette.main4SpringReliefAnEngine')"
      :aria-label="t('findPalette.findAReadingStationOrEngine')"
      autofocus
      @keydown="key"
    />
    <ul>
      <li v-for="(each, i) in found" :key="each.kind + each.label">
        <Button type="button" variant="text" :class="{ chosen: i === chosen }" @click="go(each)">
          <span>{{ named(each.label) }}</span><span class="quiet">{{ each.kind }}</span>
        </Button>
      </li>
      <li v-if="found.length === 0" class="quiet none">{{ t('findPalette.nothingByThatNameTryMain') }}</li>
    </ul>
  </Dialog>
</template>

<style>
.find-box {
  width: 460px;
  max-width: 94vw;
  margin-top: 60px !important;
}
.find-box .p-dialog-content {
  padding: 14px;
}
</style>

<style scoped>
.p-inputtext {
  width: 100%;
  height: 48px;
  font-size: 18px;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
.p-button {
  width: 100%;
  justify-content: space-between;
  padding: 0 12px;
  color: var(--ink);
  font-weight: 400;
  text-align: left;
}
.chosen,
.p-button:hover {
  background: var(--petrol-wash);
}
.none {
  padding: 12px;
}
</style>
