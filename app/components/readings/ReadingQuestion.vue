<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import type { Doubt } from '#core/engine/plausible'
import type { Quantity } from '#core/record/quantity'

/** Beside a field: what is wrong with what was typed, or whether it can be so, with the mended value. */
const { quantity, text, problem, doubt } = defineProps<{
  quantity: Quantity
  /** As it was typed. */
  text: string
  problem?: string
  doubt?: Doubt
}>()
const emit = defineEmits<{ use: [number]; keep: [] }>()
const units = useUnits()
const typed = computed(() =>
  /[a-z"°µ]/i.test(text) ? text.trim() : `${text.trim()} ${units.unit(quantity.dimension).symbol}`,
)
/** A question beside a field near the left edge is moved right until all of it can be read. */
function place(message: unknown) {
  if (!(message instanceof HTMLElement)) return
  seen = message
  message.style.transform = ''
  const sheet = message.closest('main')
  const edge = sheet ? sheet.getBoundingClientRect().left + parseFloat(getComputedStyle(sheet).paddingLeft) : 6
  const over = edge - message.getBoundingClientRect().left
  if (over > 0) message.style.transform = `translateX(${over}px)`
}
/** All of it is seen, above the bar at the foot, and the field with it. */
let seen: HTMLElement | undefined
onMounted(() => seen?.scrollIntoView({ block: 'nearest' }))
const rangeWords = computed(() => {
  if (!doubt) return ''
  const { low, high, from } = doubt
  const range = t('readingQuestion.to', {
    low: units.show(low, quantity.dimension),
    high: units.say(high, quantity.dimension),
  })
  return from === 'mate'
    ? t('readingQuestion.boreSmallerThanJournalOrToo', { range })
    : from === 'sisters'
      ? t('readingQuestion.itsSistersLieWithin', { range })
      : t('readingQuestion.usualIs', { range })
})
</script>

<template>
  <span :ref="place" class="message" role="alert">
    <template v-if="problem">{{ problem }}</template>
    <template v-else-if="doubt">
      <span>{{ named(quantity.label) }}: {{ typed }}? {{ rangeWords }}</span>
      <span class="actions">
        <Button
          v-if="doubt.proposal !== undefined"
          type="button"
          @mousedown.prevent
          @click="emit('use', doubt.proposal)"
          >{{ t('readingQuestion.use', { proposal: units.say(doubt.proposal, quantity.dimension) }) }}</Button
        >
        <Button type="button" variant="outlined" @mousedown.prevent @click="emit('keep')"
          >{{ t('readingQuestion.keep', { text: text.trim() }) }} <kbd>F2</kbd></Button
        >
      </span>
    </template>
  </span>
</template>

<style scoped>
.message {
  position: absolute;
  right: 0;
  top: calc(100% + 4px);
  z-index: 20;
  width: 330px;
  max-width: 84vw;
  padding: 10px 12px;
  background: var(--sheet);
  border: 1px solid var(--watch);
  border-left-width: 6px;
  text-align: left;
  display: grid;
  gap: 8px;
  font-size: 15px;
  line-height: 1.3;
}
</style>
