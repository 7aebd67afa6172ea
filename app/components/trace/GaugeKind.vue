<script setup lang="ts">
import { t } from '~/words/of/trace'

/** Which gauge was read: what is wrong with a sender is not in a mechanical one. */
const { value } = defineProps<{ value?: 'mechanical' | 'sender' }>()
const emit = defineEmits<{ choose: [value: 'mechanical' | 'sender'] }>()
const KINDS = [
  { value: 'mechanical' as const, words: t('trace.mechanical') },
  { value: 'sender' as const, words: t('trace.sender') },
]
</script>

<template>
  <SegmentChoice :label="t('trace.gauge')" :value="value" :options="KINDS" @choose="$event && emit('choose', $event)" />
</template>
