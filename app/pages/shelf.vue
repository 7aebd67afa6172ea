<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/shelf'
import { whole } from '~/words/numbers'
import { KIND_WORDS, SHELF_KINDS, type ShelfKind } from '#core/shelf/fields'

usePageTitle(() => t('shelf.shelf'))
const shelf = useShelf()
onMounted(() => {
  void shelf.load()
  addEventListener('focus', shelf.load)
})
onBeforeUnmount(() => removeEventListener('focus', shelf.load))
const VIEWS = SHELF_KINDS.map((kind) => ({ view: kind, words: named(KIND_WORDS[kind].many) }))
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
const adding = ref(false)
const held = computed(() =>
  shelf.holds.flatMap((hold) => {
    const item = shelf.items.find(({ id }) => id === hold.item)
    return item && item.kind === kind.value ? [{ ...hold, label: item.label }] : []
  }),
)

const report = ref<Awaited<ReturnType<typeof shelf.importCsv>>>()
const reading = ref(false)
async function importFile(file: File) {
  reading.value = true
  report.value = await shelf.importCsv(await file.text())
  reading.value = false
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
      <h1>{{ t('shelf.shelf') }}</h1>
      <p>{{ t('shelf.whatLiesInTheDrawersAs') }}</p>
      <div class="tally actions">
        <a class="p-button p-button-outlined link" :href="`/api/shelf/csv?kind=${kind}`" download>{{
          t('shelf.saveAsCsv')
        }}</a>
        <FilePick
          :words="t('shelf.importCsv')"
          accept=".csv,text/csv"
          :label="t('shelf.csvFileOfTheShelf')"
          outlined
          @pick="importFile"
        />
        <Button type="button" @click="adding = !adding">{{ t('shelf.addPart') }}</Button>
      </div>
    </header>
    <ViewTabs :label="t('shelf.kinds')" :views="VIEWS" :view="kind" @go="router.push({ query: { kind: $event } })">
      <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
      <p v-if="reading" class="quiet" role="status">{{ t('shelf.readingTheFile') }}</p>
      <section v-if="report" class="report" role="status" :aria-label="t('shelf.whatTheFileGave')">
        <p>
          <b>{{
            t('shelf.addedChanged', {
              added: report.added,
              changed: report.changed,
              count:
                report.bad.length > 0
                  ? t('shelf.leftOut', {
                      size: t(
                        'shelf.rowRows',
                        { n: whole(new Set(report.bad.map(({ line }) => line)).size) },
                        new Set(report.bad.map(({ line }) => line)).size,
                      ),
                    })
                  : '',
            })
          }}</b>{{ ' '
          }}<Button type="button" variant="link" class="linked" @click="report = undefined">{{
            t('shelf.close')
          }}</Button>
        </p>
        <ul v-if="report.bad.length > 0">
          <li v-for="(each, i) in report.bad.slice(0, 12)" :key="i">
            {{
              t('shelf.line', { line: each.line, column: each.column ? `, ${each.column}` : '', message: each.message })
            }}
          </li>
          <li v-if="report.bad.length > 12">{{ t('shelf.andMore', { count: report.bad.length - 12 }) }}</li>
        </ul>
      </section>
      <ShelfForm v-if="adding" :kind="kind" @close="adding = false" />
      <div class="find">
        <InputText
          v-model="text"
          :placeholder="t('shelf.findIn', { many: inSentence(KIND_WORDS[kind].many) })"
          :aria-label="t('shelf.findOnTheShelf')"
        /><span class="quiet">{{ t('shelf.lineLines', { n: whole(items.length) }, items.length) }}</span>
      </div>
      <ShelfTable :kind="kind" :items="items" />
      <p v-if="shelf.loaded && items.length === 0" class="quiet none">
        {{ text ? t('shelf.nothingByThatNameHere') : t('shelf.noOnTheShelfYet', { one: named(KIND_WORDS[kind].one) }) }}
      </p>
      <section v-if="held.length > 0" class="block" :aria-label="t('shelf.withBuilds')">
        <h2>{{ t('shelf.withBuilds') }}</h2>
        <div v-for="each in held" :key="each.build + each.item" class="row">
          <span class="what"
            >{{ named(each.label)
            }}<span class="origin"
              >{{ each.name }}:
              {{
                [
                  each.reserved > 0 && t('shelf.setAside', { reserved: each.reserved }),
                  each.taken > 0 && t('shelf.taken', { taken: each.taken }),
                ]
                  .filter(Boolean)
                  .join(', ')
              }}</span
            ></span
          >
          <Button
            type="button"
            variant="outlined"
            @click="giveBack(each.item, each.build, each.taken, each.reserved)"
            >{{ t('shelf.putBack') }}</Button
          >
        </div>
      </section>
    </ViewTabs>
  </PlaceFrame>
</template>

<style scoped>
.link {
  text-decoration: none;
  display: inline-flex;
  align-items: center;
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
