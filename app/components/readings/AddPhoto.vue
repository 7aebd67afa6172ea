<script setup lang="ts">
import { t } from '~/words/of/frame'
/** Takes a photo or a picture file, and says what is wrong when it cannot be kept. */
const {
  of,
  keep,
  words = t('addPhoto.photo'),
} = defineProps<{ of: string; keep: (file: File) => Promise<{ id: string } | { problem: string }>; words?: string }>()
const emit = defineEmits<{ kept: [id: string]; problem: [words: string] }>()
async function take(file: File) {
  const kept = await useBuild().during(keep(file))
  emit('problem', 'problem' in kept ? kept.problem : '')
  if ('id' in kept) emit('kept', kept.id)
}
</script>

<template>
  <FilePick :words="words" accept="image/*" :label="t('addPhoto.photoOf', { of })" @pick="take" />
</template>
