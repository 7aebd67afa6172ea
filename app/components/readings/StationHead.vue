<script setup lang="ts">
import { t } from '~/words/of/frame'
import type { Station } from '#core/record/quantity'

/** A station's title, what to do there, how far it is and its worst verdict. */
const { station, title } = defineProps<{ station: Station; title: string }>()
const build = useBuild()
const progress = computed(() => build.progress.find((each) => each.station === station)!)
</script>

<template>
  <header class="station-head" :data-station="station">
    <h1>{{ title }}</h1>
    <p><slot /></p>
    <div class="tally">
      <span data-testid="tally">{{
        t('stationHead.of', { done: progress.done, wanted: progress.wanted })
      }}</span><VerdictLabel v-if="progress.verdict" :verdict="progress.verdict" />
    </div>
  </header>
</template>
