<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { impossible } from '#core/record/bounds'
import { impossibleWords } from '~/words/impossible'
import { quantityAt } from '#core/engine/values'
import { type Doubt, doubtOf } from '#core/engine/plausible'
import { standInOf } from '#core/engine/standIn'
import type { ReadingKey } from '#core/parts/list'
import { sessionRead, sessionWrite } from '~/sync/browserStorage'
import { PASTED, spreadPasted } from '~/composables/pasteReadings'

/**
 * One reading, typed in any unit: Enter writes it and goes to the next of its run, arrows move in the column, Escape restores. A doubtful value keeps the hand in its field until it is mended, or kept by F2 or its button.
 * Up to three readings of the same thing, parted by semicolons; a column or block from a spreadsheet lies over the readings beside and below.
 */
const { name, run, column } = defineProps<{ name: string; run: string; column?: string }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const focused = useFocusedReading()

const quantity = computed(() => quantityAt(build.sheet!, name)!)
const unit = computed(() => units.unit(quantity.value.dimension))
const reading = computed(() => build.sheet!.readings[name])
const shown = computed(() =>
  reading.value ? units.showReading(reading.value.value, quantity.value, reading.value.instrument) : '',
)
/** What an apprentice wrote here that waits for a sign-off. */
const waiting = computed(() => {
  for (const { patch } of build.proposals) {
    const value = patch.find(({ path }) => path === `/readings/${name}`)?.value as { value?: number } | undefined
    if (value?.value !== undefined)
      return t('readingInput.waits', { showReading: units.showReading(value.value, quantity.value) })
  }
  return undefined
})
const assumed = computed(() => {
  const standIn = standInOf(build.sheet!, name as ReadingKey)
  return standIn ? units.showReading(standIn.value, quantity.value) : ''
})

const text = ref('')
const editing = ref(false)
const problem = ref<string>()
const doubt = ref<Doubt & { value: number; repeats?: number[] }>()
const sigmaOf = useReadingSigma()
const field = useTemplateRef<HTMLInputElement>('field')
const messageId = useId()

function begin() {
  focused.value = name
  if (editing.value) return
  text.value = shown.value
  field.value?.select()
}
/** The first touch takes the whole value, so that typing replaces it; a second one places the caret. */
function touch(event: Event) {
  if (document.activeElement === field.value) return
  event.preventDefault()
  field.value?.focus()
}
/** What is typed and not written yet outlives a reload, with its question. */
const draftKey = () => `uldo.typed.${build.id}.${name}`
const keepDraft = (draft: string) => sessionWrite(draftKey(), draft)
onMounted(() => {
  const draft = sessionRead(draftKey(), '')
  if (draft === '') return
  editing.value = true
  text.value = draft
  if (check() !== undefined) problem.value = t('readingInput.typedAndNotWrittenYetEnter')
})
function typed(event: Event) {
  editing.value = true
  text.value = (event.target as HTMLInputElement).value
  keepDraft(text.value)
  problem.value = undefined
  doubt.value = undefined
}
function restore() {
  keepDraft('')
  editing.value = false
  problem.value = undefined
  doubt.value = undefined
  text.value = shown.value
  nextTick(() => field.value?.select())
}

/** What was typed, where it can be written as it is; else says beside the field what must first be mended or confirmed. */
function check(): { value: number; repeats?: number[] } | undefined {
  const parsed = readTyped(text.value, quantity.value, unit.value)
  if (!parsed.ok) return void (problem.value = parsed.message)
  const never = [parsed.value, ...(parsed.repeats ?? [])]
    .map((value) => impossible(quantity.value, value))
    .find((each) => each !== undefined)
  if (never)
    return void (problem.value = impossibleWords(never, quantity.value.label, text.value.trim(), (value) =>
      units.say(value, quantity.value.dimension),
    ))
  const found = doubtOf(build.sheet!, name, parsed.value)
  if (found) return void (doubt.value = { ...found, value: parsed.value, repeats: parsed.repeats })
  return parsed
}
/** Writes what was typed; false when it must first be mended or confirmed. */
function commit(): boolean {
  if (!editing.value) return true
  if (text.value.trim() === '') {
    keepDraft('')
    editing.value = false
    void build.clear(name, quantity.value.label)
    return true
  }
  const sound = check()
  if (sound) write(sound.value, false, sound.repeats)
  return sound !== undefined
}
function write(value: number, confirmed: boolean, repeats?: number[]) {
  keepDraft('')
  editing.value = false
  problem.value = undefined
  doubt.value = undefined
  const source = quantity.value.planned ? 'planned' : quantity.value.fromMaker ? 'maker' : 'measured'
  const { note, photos } = reading.value ?? {}
  void build.record(
    name,
    {
      value,
      source,
      typed: text.value.trim().slice(0, 40),
      ...(source === 'measured' ? sigmaOf(quantity.value, repeats) : {}),
      ...(repeats ? { repeats } : {}),
      ...(confirmed ? { confirmed } : {}),
      ...(note ? { note } : {}),
      ...(photos ? { photos } : {}),
    },
    quantity.value.label,
  )
}
function settle(value: number, confirmed: boolean, repeats?: number[]) {
  write(value, confirmed, repeats)
  move(1)
}
/** A block from a spreadsheet goes over the readings from here on; a single value is an ordinary paste. */
function paste(event: ClipboardEvent) {
  const block = event.clipboardData?.getData('text/plain') ?? ''
  if (spreadPasted(field.value!, block)) event.preventDefault()
}
/** Takes one cell of a pasted block: written when it can be believed, else left as it was pasted, with its question. */
function takePasted(event: Event) {
  editing.value = true
  text.value = (event as CustomEvent<string>).detail
  commit()
}
onMounted(() => field.value?.addEventListener(PASTED, takePasted))

const move = (step: number) => moveFrom(field.value!, step, { run, way: person.enters })
function key(event: KeyboardEvent) {
  if (event.key === 'Enter') {
    event.preventDefault()
    if (commit()) move(event.shiftKey ? -1 : 1)
    // The hand stays here: the next gauge reading's keys write over what is doubted, and its Enter keeps nothing.
    else nextTick(() => field.value?.select())
  } else if (event.key === 'F2' && doubt.value) {
    event.preventDefault()
    settle(doubt.value.value, true, doubt.value.repeats)
  } else if (event.key === 'Escape') {
    event.preventDefault()
    restore()
  } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    if (commit()) moveFrom(field.value!, event.key === 'ArrowDown' ? 1 : -1, { column: column ?? run })
  }
}
</script>

<template>
  <span class="reading" :class="{ wrong: problem || doubt }">
    <input
      ref="field"
      :value="editing ? text : shown"
      :placeholder="assumed"
      :data-run="run"
      :data-column="column ?? run"
      :data-reading="name"
      :aria-label="named(quantity.label)"
      :aria-invalid="!!(problem || doubt)"
      :aria-describedby="problem || doubt ? messageId : undefined"
      :data-waits="waiting !== undefined || undefined"
      :data-typing="editing || undefined"
      inputmode="decimal"
      autocomplete="off"
      spellcheck="false"
      enterkeyhint="next"
      :class="{ confirmed: reading?.confirmed }"
      @mousedown="touch"
      @focus="begin"
      @input="typed"
      @blur="commit"
      @keydown="key"
      @paste="paste"
    />
    <span v-if="waiting" class="waiting">{{ waiting }}</span>
    <ReadingQuestion
      v-if="problem || doubt"
      :id="messageId"
      :quantity="quantity"
      :text="text"
      :problem="problem"
      :doubt="doubt"
      @use="settle($event, false)"
      @keep="settle(doubt!.value, true, doubt!.repeats)"
    />
  </span>
</template>

<style scoped>
.reading {
  position: relative;
  display: inline-block;
}
input {
  width: 112px;
  height: 44px;
  text-align: right;
  font-family: var(--mono);
  font-size: 18px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: transparent;
  font-variant-numeric: tabular-nums;
}
input:placeholder-shown {
  border-bottom: 1px dashed var(--field);
  border-radius: 3px 3px 0 0;
}
input::placeholder {
  color: var(--quiet);
  opacity: 1;
  text-decoration: underline dashed 1px;
  text-underline-offset: 4px;
  font-size: 16px;
}
input:hover {
  border-color: var(--field);
}
input:focus {
  border: 2px solid var(--petrol);
  background: var(--sheet);
  outline: none;
  padding: 0 7px;
}
.waiting {
  display: block;
  text-align: right;
  white-space: nowrap;
  font-size: 15px;
  line-height: 1.1;
  color: var(--petrol);
  padding: 0 8px 4px;
}
.wrong input {
  border: 2px solid var(--watch);
  padding: 0 7px;
}
input.confirmed {
  text-decoration: underline dotted var(--watch) 2px;
  text-underline-offset: 4px;
}
</style>
