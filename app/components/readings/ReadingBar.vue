<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/frame'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { quantityAt } from '#core/engine/values'
import { spreadOf } from '#core/bearing/survey'
import { Reading } from '#core/record/schema'
import { dayOf } from '~/words/dates'

/** Where the value under the hand came from: instrument, note, photos, and every former value one touch away. */
const build = useBuild()
const units = useUnits()
const person = usePerson()
const shop = useShop()
const focused = useFocusedReading()

const quantity = computed(() => (focused.value ? quantityAt(build.sheet!, focused.value) : undefined))
const reading = computed(() => (quantity.value ? build.sheet!.readings[quantity.value.key] : undefined))
const words = computed(() =>
  quantity.value ? originWords(build.sheet!, quantity.value.key) || t('readingBar.notMeasured') : '',
)
/** Uncertainties read better in small units. */
const spread = computed(() => {
  const { dimension } = quantity.value ?? {}
  const sigma = reading.value?.uncertainty
  if (sigma === undefined || !dimension) return ''
  return ['length', 'diameter', 'clearance'].includes(dimension) && units.unit('length').symbol === 'mm'
    ? `± ${figure(2e6 * sigma, 1)} µm`
    : `± ${units.say(2 * sigma, dimension, 4)}`
})
/** Largest less smallest of the repeats. */
const scatter = computed(() =>
  reading.value?.repeats ? units.say(spreadOf(reading.value.repeats), quantity.value!.dimension) : '',
)
const instruments = computed(() => [
  { value: 'none', words: t('readingBar.noInstrument') },
  ...shop.house.instruments.map(({ name }) => ({ value: name, words: name })),
])
const instrument = computed(() =>
  shop.house.instruments.find(({ name }) => name === person.instruments[quantity.value?.dimension ?? '']),
)
const zeroed = computed(() =>
  instrument.value?.zeroedAt
    ? t('readingBar.zeroChecked2', { zeroedAt: dayOf(instrument.value.zeroedAt) })
    : t('readingBar.zeroNeverChecked'),
)
function zeroNow() {
  const { name } = instrument.value!
  void shop.save((next) =>
    next.instruments.filter((each) => each.name === name).forEach((each) => (each.zeroedAt = new Date().toISOString())),
  )
}
/** The trade's words are fetched once the first screen stands. */
const glossary = shallowRef<typeof import('~/words/glossary')>()
watch(
  useOnceShown(),
  (shown) =>
    shown &&
    void useVersion()
      .beside(import('~/words/glossary'))
      .then((words) => (glossary.value = words))
      .catch(() => undefined),
  { immediate: true },
)
const term = computed(() => quantity.value && glossary.value?.termOf(quantity.value.label))
const open = ref<'note' | 'former' | 'word'>()
watch(
  () => quantity.value?.key,
  () => (open.value = undefined),
)

function toggle(what: 'note' | 'former' | 'word') {
  open.value = open.value === what ? undefined : what
}
function amend(change: Partial<Reading>, label: string) {
  const { key } = quantity.value!
  const next = { ...toRaw(reading.value!), ...change }
  return build.change([{ op: 'add', path: `/readings/${key}`, value: next }], label)
}
const noteForm = zodResolver(Reading.pick({ note: true }))
function writeNote({ valid, values }: { valid: boolean; values?: unknown }) {
  if (!valid) return
  const { note } = values as { note?: string }
  void amend({ note: note?.trim() || undefined }, t('readingBar.note2', { quantity: named(quantity.value!.label) }))
  open.value = undefined
}

const addPhoto = (id: string) =>
  amend(
    { photos: [...(reading.value?.photos ?? []), id].slice(-30) },
    t('readingBar.photo', { quantity: named(quantity.value!.label) }),
  )
</script>

<template>
  <aside v-if="quantity" class="reading-bar" :aria-label="t('readingBar.theValueUnderTheHand')">
    <FormerValues v-if="open === 'former'" :quantity="quantity" :now="reading?.value" />
    <Form
      v-if="open === 'note'"
      class="drawer"
      :resolver="noteForm"
      :initial-values="{ note: reading?.note ?? '' }"
      @submit="writeNote"
    >
      <label class="quiet"
        >{{ t('readingBar.noteOn', { quantity: named(quantity.label) })
        }}<Textarea name="note" rows="2" maxlength="500" /></label
      ><Button type="submit">{{ t('readingBar.writeNote') }}</Button>
    </Form>
    <p v-if="open === 'word' && term" class="drawer" data-testid="word">
      <b>{{ term.term }}</b>: {{ named(term.means) }}
    </p>
    <UnitKeys :quantity="quantity" />
    <div class="line">
      <span class="story" aria-live="polite"
        ><b>{{ named(quantity.label) }}</b
        >{{ ' ' }}<span class="quiet">{{ words }}</span
        >{{ ' ' }}<span v-if="spread" class="mono quiet">{{ spread }}</span>
        <span v-if="reading?.repeats" class="quiet"
          >{{ ' '
          }}{{
            t('readingBar.meanOfApart', {
              repeats: reading.repeats.map((value) => units.showReading(value, quantity!)).join(', '),
              scatter,
            })
          }}</span
        >
        <span v-if="reading?.note" class="quiet"> “{{ reading.note }}”</span
        ><span v-if="instrument" class="quiet zero">{{
          t('readingBar.inTheHand', { name: instrument.name, zeroed })
        }}</span></span
      >
      <ChoiceField
        :label="t('readingBar.instrument')"
        quiet
        :value="person.instruments[quantity.dimension] || 'none'"
        :options="instruments"
        @choose="person.instruments[quantity.dimension] = $event === 'none' ? '' : $event"
      />
      <LazyRigGauge v-if="instrument?.name === 'Simulated gauge'" :quantity="quantity" />
      <Button
        v-if="instrument"
        type="button"
        variant="text"
        v-tip="t('readingBar.theOlderTheLessAReading', { zeroed })"
        @click="zeroNow"
        >{{ t('readingBar.zeroChecked') }}</Button
      >
      <template v-if="reading">
        <Button type="button" variant="text" :aria-expanded="open === 'note'" @click="toggle('note')">{{
          t('readingBar.note')
        }}</Button>
        <LazyPhotoRow size="small" :of="named(quantity.label)" :photos="reading.photos" @kept="addPhoto" />
      </template>
      <Button v-if="term" type="button" variant="text" :aria-expanded="open === 'word'" @click="toggle('word')">{{
        t('readingBar.whatIsIt')
      }}</Button>
      <Button type="button" variant="text" :aria-expanded="open === 'former'" @click="toggle('former')">{{
        t('readingBar.formerValues')
      }}</Button>
    </div>
  </aside>
</template>

<style scoped>
.reading-bar {
  position: sticky;
  bottom: -40px;
  margin: 26px -26px -40px;
  padding: 4px 26px 8px;
  background: var(--sheet);
  border-top: 1px solid var(--rule);
  z-index: 10;
}
.line {
  display: flex;
  align-items: center;
  gap: 4px 12px;
  min-height: 46px;
}
.story {
  flex: 1;
  line-height: 1.25;
}
.drawer {
  padding: 8px 0;
  max-height: 230px;
  overflow-y: auto;
}
.drawer label {
  display: grid;
  gap: 4px;
  margin-bottom: 8px;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 760px) {
  .reading-bar {
    margin-inline: -14px;
    padding-inline: 14px;
    bottom: -32px;
  }
  .line {
    flex-wrap: wrap;
  }
  .story {
    flex-basis: 100%;
  }
}
</style>
