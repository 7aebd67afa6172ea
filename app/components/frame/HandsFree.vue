<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/sound'
import { spokenFigure } from '~/words/spoken'
import { shopAlarm } from '~/composables/shopAlarm'
import { moveFrom } from '~/composables/readingMoves'
import { nextMissing } from '~/composables/useKeys'
import { quantityAt } from '#core/engine/values'
import type { Reading } from '#core/record/schema'

/** Beside the work: asks by voice for the reading that the hand is on, says back what was taken, and does what a foot switch says. */
const voice = useVoice()
const foot = useFootKeys()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const router = useRouter()
const reading = (target: EventTarget | null) =>
  target instanceof HTMLInputElement && target.dataset.reading ? target : undefined

const labelOf = (key: string) => {
  const quantity = build.sheet && quantityAt(build.sheet, key)
  return quantity && named(quantity.label)
}
function ask(event: FocusEvent) {
  const field = reading(event.target)
  const label = field && labelOf(field.dataset.reading!)
  if (label) voice.say(label, 'ask')
}
/** What was taken is said as it stands on the sheet. */
const stop = build.$onAction(({ name, args }) => {
  if (name !== 'record') return
  const [key, { value }] = args as unknown as [string, Pick<Reading, 'value'>]
  const quantity = build.sheet && quantityAt(build.sheet, key)
  if (!quantity) return
  const figure = spokenFigure(units.showReading(value, quantity))
  voice.say(t('voice.taken', { label: named(quantity.label), figure }))
})

/** A start that is called off is said over whatever page is open; its own board says it itself. */
useSpokenStop(() => shopAlarm.value && t('voice.stop', { why: shopAlarm.value }))

/** What was typed and is not believed is asked aloud. */
async function doubted(field: HTMLInputElement) {
  await nextTick()
  if (field.getAttribute('aria-invalid') !== 'true') return
  const asked = document.getElementById(field.getAttribute('aria-describedby') ?? '')
  voice.say(spokenFigure(asked?.querySelector('p')?.textContent ?? asked?.textContent ?? ''), 'now')
}
function press(event: KeyboardEvent) {
  if (event.repeat || event.ctrlKey || event.metaKey) return
  const field = reading(event.target)
  const does = foot.heard(event)
  if (!does) {
    if (field && event.key === 'Enter') void doubted(field)
    return
  }
  // A letter that is written is one.
  const writes = (event.target as HTMLElement).matches('input, textarea') && !field && event.key.length === 1
  if (writes && does !== 'learnt') return
  event.preventDefault()
  event.stopImmediatePropagation()
  if (does === 'take') take(field)
  if (does === 'next') next(field)
}
function take(field: HTMLInputElement | undefined) {
  if (field) {
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }))
    return
  }
  const button = [...document.querySelectorAll<HTMLButtonElement>('[data-take]:not(:disabled)')].find((each) =>
    each.checkVisibility(),
  )
  if (button) button.click()
  else voice.say(t('voice.nothingToTake'))
}
function next(field: HTMLInputElement | undefined) {
  if (field) moveFrom(field, 1, { run: field.dataset.run!, way: person.enters })
  if (!field || document.activeElement === document.body) void nextMissing(router)
}
onMounted(() => {
  addEventListener('focusin', ask)
  // Before the page's own keys.
  addEventListener('keydown', press, true)
})
onBeforeUnmount(() => {
  stop()
  removeEventListener('focusin', ask)
  removeEventListener('keydown', press, true)
})
</script>

<template><i hidden data-testid="hands-free" /></template>
