<script setup lang="ts">
import type { Run } from '#core/run/run'
import { many } from '~/composables/words'

/** Runs of this build that are over or still open elsewhere, newest first. */
const emit = defineEmits<{ look: [run: Run] }>()
const run = useRun()
const when = (at: string) => new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <div v-for="each in run.list" :key="each.id" class="row">
    <span class="what"
      >{{ when(each.startedAt)
      }}<span class="origin"
        >{{ each.outcome ?? 'open' }}, {{ many(each.samples, 'reading') }},
        {{ each.setup.source === 'rig' ? 'simulated' : each.setup.source }}</span
      ></span
    >
    <Button type="button" variant="outlined" @click="emit('look', each)">Look at it</Button>
  </div>
</template>
