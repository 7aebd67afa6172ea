<script setup lang="ts">
const emit = defineEmits<{ close: [] }>()
const box = useTemplateRef<HTMLDialogElement>('box')
onMounted(() => box.value?.showModal())
const KEYS = [
  ['/ or Ctrl K', 'find a reading, station or engine'],
  ['g then 1 to 8', 'go to a station'],
  ['n', 'the reading that narrows the band most'],
  ['u', 'next set of units'],
  ['z, Shift z', 'take back the last change, do it again'],
  ['Enter', 'write the reading, go to the next'],
  ['↑ ↓', 'move in the column'],
  ['66.037; 66.038', 'the same thing read again, up to three times'],
  ['Escape', 'put back what was there'],
  ['?', 'this list'],
]
</script>

<template>
  <dialog ref="box" class="sheet-box" aria-label="Keys" @close="emit('close')" @click.self="box?.close()">
    <h2>Keys</h2>
    <dl>
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt class="mono">{{ key }}</dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <Button type="button" variant="outlined" @click="box?.close()">Close</Button>
  </dialog>
</template>

<style scoped>
.sheet-box {
  border: 1px solid var(--field);
  background: var(--sheet);
  color: var(--ink);
  padding: 20px 24px;
  min-width: 420px;
  max-width: 94vw;
}
.sheet-box::backdrop {
  background: rgb(20 24 26 / 40%);
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 20px;
}
dd {
  margin: 0;
}
</style>
