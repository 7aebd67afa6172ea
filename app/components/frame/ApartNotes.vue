<script setup lang="ts">
import { quantityAt } from '#core/engine/values'
import { RULES } from '#core/house/rules'
import { SHELF_FIELDS } from '#core/shelf/fields'
import { stationPath } from '~/composables/stations'
import { type Kept, patchOf } from '~/sync/kept'
import type { NotKept } from '~/sync/keeper'
import { useSync } from '~/sync/useSync'

/** What stands apart of everything that this browser has written, whichever page it was written at, and what the last undo did. Nothing typed is lost. */
const build = useBuild()
const units = useUnits()
const shop = useShop()
const shelf = useShelf()
const sync = useSync()

const NOT_KEPT: Record<NotKept, string> = {
  denied:
    'This browser keeps nothing on its disk (a private window, or storage is switched off). What you write is sent at once; what has not arrived when this page closes is lost.',
  newer:
    'A newer version of Uldo has run in this browser. Reload this page. Until then what has not arrived when it closes is lost.',
  held: 'Another tab runs another version of Uldo and holds what is kept here. Close it and reload this page. Until then what has not arrived when it closes is lost.',
  full: 'This device’s disk is full: what you write is sent, and is not kept here. Make room before you go on without the network.',
}

/** What a kept value says, in the chosen units where it is a number of this engine. */
function say(item: Kept, path: string, value: unknown): string {
  if (value === undefined || value === null) return 'nothing'
  if (typeof value === 'number') return sayNumber(item, path, value)
  if (typeof value !== 'object') return String(value)
  const reading = value as { value?: number; typed?: string; state?: string; finding?: string }
  const quantity =
    build.sheet && reading.value !== undefined ? quantityAt(build.sheet, path.replace('/readings/', '')) : undefined
  if (quantity) return units.say(reading.value!, quantity.dimension)
  return (
    reading.typed ??
    reading.finding ??
    reading.state ??
    (reading.value !== undefined ? String(reading.value) : 'another text')
  )
}
/** A number of the shop's or the shelf's, in its own unit. */
function sayNumber(item: Kept, path: string, value: number): string {
  const rule = item.kind === 'shop' ? RULES.find(({ key }) => path === `/rules/${key}`) : undefined
  if (rule) return units.say(value, rule.dimension)
  const on =
    item.kind === 'shelf' ? shelf.items.find(({ id }) => id === (item.body as { item?: string }).item) : undefined
  const field = on && SHELF_FIELDS[on.kind].find(({ key }) => path === `properties.${key}`)
  return field?.type === 'quantity'
    ? units.say(value, field.dimension)
    : field?.type === 'number'
      ? `${value} ${field.unit}`
      : String(value)
}
function oursOf(item: Kept, path: string): unknown {
  if (item.kind === 'shelf') return (item.body as { set?: Record<string, unknown> }).set?.[path]
  const operation = patchOf(item).find((each) => each.path === path)
  return operation && 'value' in operation ? operation.value : undefined
}
const clock = (at: string | number) =>
  new Date(at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' })
const notes = computed(() =>
  sync.apart.map((item) => {
    const there = item.refusal?.conflict
    const path = there?.path ?? item.refusal?.problems[0]?.path ?? ''
    const elsewhere = item.kind === 'build' && item.document !== build.id
    return {
      item,
      elsewhere,
      to: elsewhere ? `/build/${item.document}` : undefined,
      conflict: item.state === 'conflict',
      theirs: say(item, path, there?.now),
      ours: say(item, path, oursOf(item, path)),
      who: there?.who ?? 'Somebody',
      at: there ? clock(there.at) : '',
      message: item.refusal?.message ?? '',
    }
  }),
)
const settle = (item: Kept, ours: boolean) =>
  item.kind === 'shop'
    ? shop.settle(item, ours)
    : item.kind === 'shelf'
      ? shelf.settle(item, ours)
      : build.settle(item, ours)
const stationName = (page: string) =>
  build.id && page ? stationPath(build.id, page as Parameters<typeof stationPath>[1]) : undefined
const news = computed(() => build.stepNews)
const again = () => (news.value?.ask === 'undo' ? build.undo(true) : build.redo(true))
let closing: ReturnType<typeof setTimeout> | undefined
watch(news, (now) => {
  clearTimeout(closing)
  if (now && !now.ask) closing = setTimeout(() => (build.stepNews = undefined), 12_000)
})
onBeforeUnmount(() => clearTimeout(closing))
</script>

<template>
  <div class="notes">
    <div v-if="sync.notKept" class="note loud" role="alert">
      <p>{{ NOT_KEPT[sync.notKept] }}</p>
    </div>
    <div v-if="sync.why" class="note loud" role="alert">
      <p>{{ sync.why }}</p>
    </div>
    <div v-for="note in notes" :key="note.item.key" class="note" role="alert" :data-apart="note.item.state">
      <p v-if="note.conflict && note.to">
        {{ note.item.label }}: {{ note.who }} wrote there at {{ note.at }}, before yours arrived.
        <NuxtLink :to="note.to">Look at both in that build</NuxtLink>
      </p>
      <p v-else-if="note.conflict">
        {{ note.item.label }}: {{ note.who }} wrote <b class="mono">{{ note.theirs }}</b> at {{ note.at }}, before your
        <b class="mono">{{ note.ours }}</b> arrived.
      </p>
      <p v-else>
        {{ note.item.label }}, written at {{ clock(note.item.at) }}, was not taken: {{ note.message
        }}<NuxtLink v-if="note.to" :to="note.to"> It is another build’s.</NuxtLink>
      </p>
      <!-- Settled where both can be read in their units. -->
      <span v-if="note.conflict && !note.to" class="actions"
        ><Button type="button" variant="outlined" @click="settle(note.item, false)">Keep {{ note.theirs }}</Button
        ><Button type="button" @click="settle(note.item, true)">Write {{ note.ours }}</Button></span
      >
      <span v-else-if="!note.conflict" class="actions"
        ><Button type="button" variant="outlined" @click="sync.retry(note.item.key)">Send again</Button
        ><Button type="button" variant="outlined" @click="sync.forget(note.item.key)">Leave it out</Button></span
      >
    </div>
    <div v-if="news" class="note quiet-note" role="status" data-testid="step-news">
      <p>{{ news.words }}</p>
      <span class="actions"
        ><Button v-if="news.ask" type="button" @click="again">{{
          news.ask === 'undo' ? 'Undo it there' : 'Redo it there'
        }}</Button
        ><NuxtLink v-if="stationName(news.page)" class="go" :to="stationName(news.page)!">Go there</NuxtLink
        ><Button type="button" variant="outlined" @click="build.stepNews = undefined">Close</Button></span
      >
    </div>
  </div>
</template>

<style scoped>
.note {
  border: 1px solid var(--watch);
  border-left-width: 6px;
  padding: 10px 14px;
  margin-bottom: 14px;
  display: flex;
  gap: 10px 16px;
  justify-content: space-between;
  align-items: center;
  flex-wrap: wrap;
}
.note p {
  margin: 0;
  max-width: 72ch;
}
.loud {
  border-color: var(--stop);
}
.quiet-note {
  border-color: var(--petrol);
}
.go {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 8px;
  font-weight: 600;
}
@media print {
  .notes {
    display: none;
  }
}
</style>
