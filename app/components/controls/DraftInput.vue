<script setup lang="ts">
/** A plain field that keeps what is being typed while the value behind it is fetched anew; written on Enter or when left, Escape restores. */
const { value } = defineProps<{ value: string | number }>()
const emit = defineEmits<{ write: [text: string] }>()
const typed = ref<string>()
function commit() {
  if (typed.value === undefined) return
  const text = typed.value.trim()
  typed.value = undefined
  if (text !== String(value)) emit('write', text)
}
</script>

<template>
  <InputText
    :model-value="typed ?? String(value)"
    autocomplete="off"
    @update:model-value="typed = $event ?? ''"
    @blur="commit"
    @keydown.enter.prevent="commit"
    @keydown.esc="typed = undefined"
  />
</template>
