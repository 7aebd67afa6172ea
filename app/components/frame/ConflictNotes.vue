<script setup lang="ts">
import { catalogueOf } from '#core/build/values'

/** What the server could not take: another hand wrote first, or the value was refused. Nothing typed is lost. */
const build = useBuild()
const house = useHouse()
const notes = computed(() => build.conflicts.map((conflict) => {
  const key = conflict.path.replace('/readings/', '')
  const quantity = catalogueOf(build.sheet!.layout).get(key)
  const operation = conflict.waiting.patch.find((each) => each.path === conflict.path)
  const ours = operation && 'value' in operation ? (operation.value as { value?: number }).value : undefined
  const say = (value: number | undefined) => (quantity && value !== undefined ? house.say(value, quantity.dimension) : 'nothing')
  return { conflict, label: quantity?.label ?? conflict.path, theirs: say(conflict.now?.value), ours: say(ours), at: new Date(conflict.at).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' }) }
}))
</script>

<template>
  <div v-for="note in notes" :key="note.conflict.waiting.clientKey" class="note" role="alert">
    <p>{{ note.label }}: {{ note.conflict.who }} wrote <b class="mono">{{ note.theirs }}</b> at {{ note.at }}, before your <b class="mono">{{ note.ours }}</b> arrived.</p>
    <span class="actions"><Button type="button" variant="outlined" @click="build.settle(note.conflict, false)">Keep {{ note.theirs }}</Button><Button type="button" @click="build.settle(note.conflict, true)">Write {{ note.ours }}</Button></span>
  </div>
  <div v-if="build.held" class="note" role="alert"><p>{{ build.held }}</p><Button type="button" variant="outlined" @click="build.held = undefined">Close</Button></div>
  <div v-if="build.refused" class="note" role="alert"><p>{{ build.refused }}</p><Button type="button" variant="outlined" @click="build.refused = undefined">Close</Button></div>
</template>

<style scoped>
.note { border: 1px solid var(--watch); border-left-width: 6px; padding: 10px 14px; margin-bottom: 14px; display: flex; gap: 16px; justify-content: space-between; align-items: center; flex-wrap: wrap; }
</style>
