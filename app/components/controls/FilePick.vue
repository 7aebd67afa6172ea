<script setup lang="ts">
import type { FileUploadSelectEvent } from 'primevue/fileupload'

/** Picks one file by button, or takes it from the camera where that is what the device offers; what it is good for is judged by who takes it. */
const {
  accept,
  label,
  outlined = false,
} = defineProps<{ words: string; accept: string; label?: string; outlined?: boolean }>()
const emit = defineEmits<{ pick: [file: File] }>()
/** Nobody picks a file within the first second: the first screen does not wait for it. */
const FileUpload = defineAsyncComponent(() => import('primevue/fileupload'))
const picker = useTemplateRef<{ clear: () => void; choose: () => void }>('picker')
function take({ files }: FileUploadSelectEvent) {
  const file = (files as (File & { objectURL?: string })[])[0]
  // The same file can be picked again once it was mended; the address that PrimeVue made for a preview is given back.
  picker.value?.clear()
  if (file?.objectURL) URL.revokeObjectURL(file.objectURL)
  if (file) emit('pick', file)
}
const button = computed(() => ({
  variant: outlined ? 'outlined' : 'text',
  type: 'button',
  // The button hears Enter; a keyboard's other press is Space.
  onKeydown: (event: KeyboardEvent) => event.key === ' ' && picker.value?.choose(),
}))
</script>

<template>
  <FileUpload
    ref="picker"
    mode="basic"
    custom-upload
    auto
    :choose-label="words"
    :choose-button-props="button"
    :pt="{ input: { accept, 'aria-label': label ?? words } }"
    @select="take"
  >
    <template #chooseicon><span /></template>
  </FileUpload>
</template>

<style scoped>
:deep(.p-button > span:empty) {
  display: none;
}
</style>
