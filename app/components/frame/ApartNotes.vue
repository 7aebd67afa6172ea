<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { quantityAt } from '#core/engine/values'
import { RULES } from '#core/house/rules'
import { SHELF_FIELDS } from '#core/shelf/fields'
import { type Kept, patchOf } from '~/sync/kept'
import type { NotKept } from '~/sync/keeper'
import { useSync } from '~/sync/useSync'
import { timeOf } from '~/words/dates'

/** What stands apart of everything that this browser has written, whichever page it was written at. Nothing typed is lost. */
const build = useBuild()
const units = useUnits()
const shop = useShop()
const shelf = useShelf()
const sync = useSync()

const NOT_KEPT: Record<NotKept, string> = {
  denied: t('apartNotes.thisBrowserKeepsNothingOnIts'),
  newer: t('apartNotes.aNewerVersionOfUldoHas'),
  held: t('apartNotes.anotherTabRunsAnotherVersionOf'),
  full: t('apartNotes.thisDevicesDiskIsFullWhat'),
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
    (reading.value !== undefined ? String(reading.value) : t('apartNotes.anotherText'))
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
      who: there?.who ?? t('apartNotes.somebody'),
      at: there ? timeOf(there.at) : '',
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
</script>

<template>
  <div class="notes">
    <VersionNote />
    <NoteBar v-if="sync.notKept" kind="stop">{{ NOT_KEPT[sync.notKept] }}</NoteBar>
    <NoteBar v-if="sync.why" kind="stop">{{ named(sync.why) }}</NoteBar>
    <NoteBar v-for="note in notes" :key="note.item.key" :data-apart="note.item.state">
      <p v-if="note.conflict && note.to">
        {{
          t('apartNotes.wroteThereAtBeforeYoursArrived', { item: named(note.item.label), who: note.who, at: note.at })
        }}
        <NuxtLink :to="note.to">{{ t('apartNotes.lookAtBothInThatBuild') }}</NuxtLink>
      </p>
      <p v-else-if="note.conflict">
        {{ t('apartNotes.wrote', { item: named(note.item.label), who: note.who }) }}
        <b class="mono">{{ note.theirs }}</b> {{ t('apartNotes.atBeforeYour', { at: note.at }) }}
        <b class="mono">{{ note.ours }}</b>
        {{ t('apartNotes.arrived') }}
      </p>
      <p v-else>
        {{
          t('apartNotes.writtenAtWasNotTaken', {
            item: named(note.item.label),
            at: timeOf(note.item.at),
            message: note.message,
          })
        }}<NuxtLink v-if="note.to" :to="note.to">{{ ' ' }}{{ t('apartNotes.itIsAnotherBuilds') }}</NuxtLink>
      </p>
      <!-- Settled where both can be read in their units. -->
      <template v-if="note.conflict && !note.to" #actions
        ><Button type="button" variant="outlined" @click="settle(note.item, false)">{{
          t('apartNotes.keep', { theirs: note.theirs })
        }}</Button
        ><Button type="button" @click="settle(note.item, true)">{{
          t('apartNotes.write', { ours: note.ours })
        }}</Button></template
      >
      <template v-else-if="!note.conflict" #actions
        ><Button type="button" variant="outlined" @click="sync.retry(note.item.key)">{{
          t('apartNotes.sendAgain')
        }}</Button
        ><Button type="button" variant="outlined" @click="sync.forget(note.item.key)">{{
          t('apartNotes.leaveItOut')
        }}</Button></template
      >
    </NoteBar>
  </div>
</template>
