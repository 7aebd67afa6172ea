<script setup lang="ts">
import { KIND_WORDS, SHELF_KINDS, type ShelfKind } from '#core/shelf/fields'
import { many } from '~/composables/words'

useHead({ title: 'Shelf · Uldo' })
const shelf = useShelf()
onMounted(() => {
  void shelf.load()
  addEventListener('focus', shelf.load)
})
onBeforeUnmount(() => removeEventListener('focus', shelf.load))
const VIEWS = SHELF_KINDS.map((kind) => ({ view: kind, words: KIND_WORDS[kind].many }))
const route = useRoute()
const router = useRouter()
const kind = computed<ShelfKind>(() => SHELF_KINDS.find((each) => each === route.query.kind) ?? 'spring')
const text = ref('')
const items = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  return shelf.items.filter(
    (item) =>
      item.kind === kind.value &&
      words.every((word) => `${item.label} ${item.engine} ${item.place} ${item.note}`.toLowerCase().includes(word)),
  )
})
/** Long lists are shown a screenful at a time. */
const STEP = 60
const most = ref(STEP)
watch([kind, text], () => (most.value = STEP))
const adding = ref(false)
const held = computed(() =>
  shelf.holds.flatMap((hold) => {
    const item = shelf.items.find(({ id }) => id === hold.item)
    return item && item.kind === kind.value ? [{ ...hold, label: item.label }] : []
  }),
)

const report = ref<Awaited<ReturnType<typeof shelf.importCsv>>>()
const reading = ref(false)
async function importFile(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  reading.value = true
  report.value = await shelf.importCsv(await file.text())
  reading.value = false
  input.value = ''
}
async function giveBack(item: string, build: string, taken: number, reserved: number) {
  await shelf.move(build, [
    ...(reserved > 0 ? [{ item, move: 'release' as const, count: reserved }] : []),
    ...(taken > 0 ? [{ item, move: 'put-back' as const, count: taken }] : []),
  ])
}
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>Shelf</h1>
      <p>What lies in the drawers, as it was measured. Every planner draws on it.</p>
      <div class="tally actions">
        <a class="p-button p-button-outlined link" :href="`/api/shelf/csv?kind=${kind}`" download>Save as CSV</a>
        <label class="p-button p-button-outlined file"
          >Take a CSV in<input
            type="file"
            accept=".csv,text/csv"
            aria-label="CSV file of the shelf"
            @change="importFile"
        /></label>
        <Button type="button" @click="adding = !adding">Put something on the shelf</Button>
      </div>
    </header>
    <ViewTabs label="Kinds" :views="VIEWS" :view="kind" @go="router.replace({ query: { kind: $event } })" />
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="reading" class="quiet" role="status">Reading the file.</p>
    <section v-if="report" class="report" role="status" aria-label="What the file gave">
      <p>
        <b
          >{{ report.added }} added, {{ report.changed }} changed{{
            report.bad.length > 0 ? `, ${many(new Set(report.bad.map(({ line }) => line)).size, 'row')} left out` : ''
          }}.</b
        >{{ ' ' }}<button type="button" class="linked" @click="report = undefined">Close</button>
      </p>
      <ul v-if="report.bad.length > 0">
        <li v-for="(each, i) in report.bad.slice(0, 12)" :key="i">
          Line {{ each.line }}{{ each.column ? `, ${each.column}` : '' }}: {{ each.message }}
        </li>
        <li v-if="report.bad.length > 12">and {{ report.bad.length - 12 }} more</li>
      </ul>
    </section>
    <ShelfForm v-if="adding" :kind="kind" @close="adding = false" />
    <div class="find">
      <InputText
        v-model="text"
        :placeholder="`find in ${KIND_WORDS[kind].many.toLowerCase()}`"
        aria-label="Find on the shelf"
      /><span class="quiet">{{ many(items.length, 'line') }}</span>
    </div>
    <ShelfTable :kind="kind" :items="items.slice(0, most)" />
    <Button v-if="items.length > most" type="button" variant="outlined" @click="most += STEP"
      >Show {{ Math.min(STEP, items.length - most) }} more of {{ items.length }}</Button
    >
    <p v-if="shelf.loaded && items.length === 0" class="quiet none">
      {{ text ? 'Nothing by that name here.' : `No ${KIND_WORDS[kind].one} on the shelf yet.` }}
    </p>
    <section v-if="held.length > 0" class="block" aria-label="With builds">
      <h2>With builds</h2>
      <div v-for="each in held" :key="each.build + each.item" class="row">
        <span class="what"
          >{{ each.label
          }}<span class="origin"
            >{{ each.name }}:
            {{
              [each.reserved > 0 && `${each.reserved} set aside`, each.taken > 0 && `${each.taken} taken`]
                .filter(Boolean)
                .join(', ')
            }}</span
          ></span
        >
        <Button type="button" variant="outlined" @click="giveBack(each.item, each.build, each.taken, each.reserved)"
          >Put back</Button
        >
      </div>
    </section>
  </PlaceFrame>
</template>

<style scoped>
.link {
  text-decoration: none;
  display: inline-flex;
  align-items: center;
}
.p-button-outlined {
  color: var(--petrol);
  border: 1px solid var(--petrol);
  border-radius: 3px;
  background: none;
  cursor: pointer;
}
.file {
  position: relative;
  overflow: hidden;
  display: inline-flex;
  align-items: center;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 2px solid var(--petrol);
  outline-offset: 2px;
}
.find {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 4px;
}
.find .p-inputtext {
  height: 44px;
  width: 280px;
  font-size: 16px;
}
.report {
  border-left: 3px solid var(--petrol);
  padding: 4px 0 4px 12px;
  margin-bottom: 10px;
}
.report ul {
  margin: 4px 0;
  padding-left: 18px;
  color: var(--stop);
}
.wrong {
  color: var(--stop);
  padding: 4px 0 8px;
}
.none {
  padding: 20px 0;
}
@media (max-width: 1000px) {
  .station-head {
    grid-template-columns: 1fr;
  }
  .station-head .tally {
    grid-column: 1;
    grid-row: auto;
  }
}
</style>
