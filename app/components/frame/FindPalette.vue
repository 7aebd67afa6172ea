<script setup lang="ts">
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
const box = useTemplateRef<HTMLDialogElement>('box')
const text = ref('')
const chosen = ref(0)
const engines = ref<{ id: string; name: string; engine: string }[]>([])
onMounted(async () => {
  box.value?.showModal()
  engines.value = await ask('GET /api/builds').catch(() => [])
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
        { label: 'Next reading worth taking', kind: 'action', run: () => nextMissing(router) },
        { label: 'Undo the last change', kind: 'action', run: build.undo },
        { label: 'Redo', kind: 'action', run: build.redo },
        { label: 'Save the build file', kind: 'action', run: () => open(`/api/builds/${id}/file`, '_self') },
      ]
    : []
  return [
    ...(sheet ? PAGES : []).map(({ page, title }) => ({ label: title, kind: 'station', to: stationPath(id, page) })),
    ...(sheet ? [...catalogueOf(sheet.layout).quantities.values()] : [])
      .filter(({ bearing }) => !bearing?.place)
      .map((quantity) => ({
        label: quantity.label,
        kind: quantity.station === 'start' ? 'first start' : quantity.station,
        to: readingPath(id, quantity),
        reading: quantity.key,
      })),
    ...engines.value.map((engine) => ({
      label: `${engine.name}, ${engine.engine}`,
      kind: 'engine',
      to: stationPath(engine.id, 'brief'),
    })),
    ...actions,
    { label: 'Next units', kind: 'action', run: units.nextUnits },
    {
      label: `Make ${units.choiceName} the shop’s units`,
      kind: 'action',
      run: () => shop.save((next) => (next.units = units.choiceName)),
    },
    { label: 'Light or dark', kind: 'action', run: person.flipScheme },
    { label: 'New build', kind: 'action', to: '/?new' },
    { label: 'Shelf', kind: 'place', to: '/shelf' },
    { label: 'House rules', kind: 'place', to: '/house' },
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
  box.value?.close()
  if (target.to) await router.push(target.to)
  if (target.reading) focusReading(target.reading)
  target.run?.()
}
function key(event: KeyboardEvent) {
  if (event.key === 'Enter') void go()
  else if (event.key === 'ArrowDown') chosen.value = Math.min(found.value.length - 1, chosen.value + 1)
  else if (event.key === 'ArrowUp') chosen.value = Math.max(0, chosen.value - 1)
  else return
  event.preventDefault()
}
</script>

<template>
  <dialog ref="box" class="find-box" aria-label="Find" @close="emit('close')" @click.self="box?.close()">
    <input
      v-model="text"
      placeholder="main 4, spring, relief, an engine"
      aria-label="Find a reading, station or engine"
      autofocus
      @keydown="key"
    />
    <ul>
      <li v-for="(each, i) in found" :key="each.kind + each.label">
        <button type="button" :class="{ chosen: i === chosen }" @click="go(each)">
          <span>{{ each.label }}</span><span class="quiet">{{ each.kind }}</span>
        </button>
      </li>
      <li v-if="found.length === 0" class="quiet none">Nothing by that name. Try “main 4” or “shims”.</li>
    </ul>
  </dialog>
</template>

<style scoped>
.find-box {
  border: 1px solid var(--field);
  background: var(--sheet);
  color: var(--ink);
  padding: 14px;
  width: 460px;
  max-width: 94vw;
  margin-top: 70px;
}
.find-box::backdrop {
  background: rgb(20 24 26 / 40%);
}
input {
  width: 100%;
  height: 48px;
  font-size: 18px;
  padding: 0 12px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
button {
  width: 100%;
  min-height: 44px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 0 12px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.chosen,
button:hover {
  background: var(--petrol-wash);
}
.none {
  padding: 12px;
}
</style>
