<script setup lang="ts" generic="T extends string">
import type { Verdict } from '#core/quantity/verdict'

/** A question with its few answers beside it, or under it where there is no room; what it is for or what follows may stand below its words. */
const { label, value, options } = defineProps<{
  label: string
  /** Below the words. */
  origin?: string
  value?: T
  options: readonly { value: T; words: string; verdict?: Verdict }[]
}>()
defineEmits<{ choose: [value: T | undefined] }>()
</script>

<template>
  <div class="row">
    <span class="what"
      >{{ label }}<span v-if="origin" class="origin">{{ origin }}</span></span
    ><SegmentChoice :label="label" :value="value" :options="options" @choose="$emit('choose', $event)" />
  </div>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
}
.what {
  flex: 1 1 150px;
}
.origin {
  white-space: normal;
}
</style>
