<script setup lang="ts">
import { t } from '~/words/of/frame'
import { unanswered } from '~/composables/useAnswer'

/** What the model could not compute of this page, and the way to ask it again: a view that lacks its figures is never without a word. */
const reasons = computed(() => [...new Set([...unanswered.values()].map(({ reason }) => reason))])
const askAgain = () => [...unanswered.values()].forEach(({ again }) => again())
</script>

<template>
  <NoteBar v-if="reasons.length > 0" class="on-paper">
    <b>{{ t('unansweredNote.figuresOfThisPageCouldNot') }}</b>: {{ reasons.join(' ') }}
    <template #actions
      ><Button type="button" variant="outlined" @click="askAgain">{{ t('unansweredNote.askAgain') }}</Button></template
    >
  </NoteBar>
</template>
