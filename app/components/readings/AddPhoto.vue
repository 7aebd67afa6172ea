<script setup lang="ts">
/** Takes a photo or a picture file, and says what is wrong when it cannot be kept. */
const {
  of,
  keep,
  words = 'Photo',
} = defineProps<{ of: string; keep: (file: File) => Promise<{ id: string } | { problem: string }>; words?: string }>()
const emit = defineEmits<{ kept: [id: string]; problem: [words: string] }>()
async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const kept = await useBuild().during(keep(file))
  input.value = ''
  emit('problem', 'problem' in kept ? kept.problem : '')
  if ('id' in kept) emit('kept', kept.id)
}
</script>

<template>
  <label class="photo"
    >{{ words }}<input type="file" accept="image/*" :aria-label="`Photo of ${of}`" @change="take"
  /></label>
</template>

<style scoped>
.photo {
  position: relative;
  overflow: hidden;
  min-height: 44px;
  padding: 0 8px;
  display: inline-flex;
  align-items: center;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
  white-space: nowrap;
}
.photo:hover {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.photo input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.photo:focus-within {
  outline: 2px solid var(--petrol);
  outline-offset: -2px;
}
</style>
