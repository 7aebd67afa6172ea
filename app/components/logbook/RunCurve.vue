<script setup lang="ts">
import { t } from '~/words/of/logbook'
import type { ChannelSample } from '#core/run/channels'
import type { Run } from '#core/run/run'
import { runSamples } from '~/composables/runSamples'

/** Pressure over a whole run that is on record. */
const { run } = defineProps<{ run: Run }>()
const samples = shallowRef<ChannelSample[]>()
const failed = ref('')
onMounted(async () => {
  samples.value = await runSamples(run.id).catch((error: Error) => void (failed.value = error.message))
})
/** Top of the scale, Pa: never so low that noise looks like pressure. */
const top = computed(
  () =>
    1.15 * (samples.value ?? []).reduce((most, { pressure = 0, gauge = 0 }) => Math.max(most, pressure, gauge), 4e5),
)
</script>

<template>
  <figure>
    <p v-if="failed" class="wrong" role="alert">{{ t('milestones.noCurve', { why: failed }) }}</p>
    <p v-else-if="samples?.length === 0" class="quiet">{{ t('milestones.noReadings') }}</p>
    <StripChart v-else-if="samples" :samples="samples" :seconds="0" :top="top" :height="180" />
  </figure>
</template>

<style scoped>
figure {
  margin: 8px 0;
  min-height: 60px;
  max-width: 760px;
}
</style>
