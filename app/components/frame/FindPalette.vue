<script setup lang="ts">
import { catalogueOf } from '#core/build/values'
import { PAGES, stationPath } from '~/composables/stations'

const emit = defineEmits<{ close: [] }>()
const build = useBuild()
const router = useRouter()
const box = useTemplateRef<HTMLDialogElement>('box')
const text = ref('')
const chosen = ref(0)
const engines = ref<{ id: string; name: string; engine: string }[]>([])
onMounted(async () => {
  box.value?.showModal()
  engines.value = await $fetch<{ id: string; name: string; engine: string }[]>('/api/builds').catch(() => [])
})

const all = computed(() => {
  const id = build.id ?? ''
  return [
    ...(build.sheet ? PAGES : []).map(({ page, title }) => ({ label: title, kind: 'station', to: stationPath(id, page), reading: '' })),
    ...(build.sheet ? [...catalogueOf(build.sheet.layout).values()] : []).map((quantity) => ({ label: quantity.label, kind: quantity.station === 'start' ? 'first start' : quantity.station, to: stationPath(id, quantity.station), reading: quantity.key })),
    ...engines.value.map((engine) => ({ label: `${engine.name}, ${engine.engine}`, kind: 'engine', to: stationPath(engine.id, 'brief'), reading: '' })),
  ]
})
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  const hits = all.value.filter((each) => words.every((word) => each.label.toLowerCase().includes(word) || each.kind.includes(word)))
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
  await router.push(target.to)
  if (target.reading) focusWhenThere(target.reading)
}
/** The station's page may still be on its way. */
function focusWhenThere(reading: string, tries = 150) {
  const input = document.querySelector<HTMLInputElement>(`main [data-reading="${reading}"]`)
  if (input) input.focus()
  else if (tries > 0) setTimeout(() => focusWhenThere(reading, tries - 1), 30)
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
    <input v-model="text" placeholder="main 4, spring, relief, an engine" aria-label="Find a reading, station or engine" autofocus @keydown="key">
    <ul>
      <li v-for="(each, i) in found" :key="each.kind + each.label"><button type="button" :class="{ chosen: i === chosen }" @click="go(each)"><span>{{ each.label }}</span><span class="quiet">{{ each.kind }}</span></button></li>
      <li v-if="found.length === 0" class="quiet none">Nothing by that name. Try “main 4” or “shims”.</li>
    </ul>
  </dialog>
</template>

<style scoped>
.find-box { border: 1px solid var(--field); background: var(--sheet); color: var(--ink); padding: 14px; width: 460px; max-width: 94vw; margin-top: 70px; }
.find-box::backdrop { background: rgb(20 24 26 / 40%); }
input { width: 100%; height: 48px; font-size: 18px; padding: 0 12px; border: 1px solid var(--field); border-radius: 3px; background: var(--sheet); }
ul { list-style: none; margin: 8px 0 0; padding: 0; }
button { width: 100%; min-height: 44px; display: flex; justify-content: space-between; align-items: center; padding: 0 12px; border: 0; background: none; text-align: left; cursor: pointer; }
.chosen, button:hover { background: var(--petrol-wash); }
.none { padding: 12px; }
</style>
