<script setup lang="ts">
import { t } from '~/words/of/plan'
import { useServerClock } from '~/sync/serverClock'
import { endOfWait, type TimedWait } from '#core/house/plan'

/** What is left of a wait that runs, counted by the server's clock. */
const { wait } = defineProps<{ wait: TimedWait }>()
const now = useServerClock()
const left = computed(() => endOfWait(wait) - now.value)
const two = (figure: number) => String(figure).padStart(2, '0')
/** `1:02:03`. */
const shown = computed(() => {
  const seconds = Math.ceil(left.value / 1000)
  return `${Math.floor(seconds / 3600)}:${two(Math.floor(seconds / 60) % 60)}:${two(seconds % 60)}`
})
</script>

<template>
  <span :class="{ over: left <= 0 }" data-testid="wait-left">{{ left > 0 ? shown : t('day.isOver') }}</span>
</template>

<style scoped>
.over {
  color: var(--watch);
  font-weight: 650;
}
</style>
