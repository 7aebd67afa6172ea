<script setup lang="ts">
import { quantityAt } from '#core/engine/values'
import { spreadOf } from '#core/bearing/survey'
import type { Reading } from '#core/record/schema'
import { shrinkPhoto } from '~/composables/photo'

/** Where the value under the hand came from: instrument, note, photos, and every former value one touch away. */
const build = useBuild()
const units = useUnits()
const person = usePerson()
const shop = useShop()
const focused = useFocusedReading()

const quantity = computed(() => (focused.value ? quantityAt(build.sheet!, focused.value) : undefined))
const reading = computed(() => (quantity.value ? build.sheet!.readings[quantity.value.key] : undefined))
const words = computed(() => (quantity.value ? originWords(build.sheet!, quantity.value.key) || 'not measured' : ''))
/** Uncertainties read better in small units. */
const spread = computed(() => {
  const { dimension } = quantity.value ?? {}
  const sigma = reading.value?.uncertainty
  if (sigma === undefined || !dimension) return ''
  return ['length', 'diameter', 'clearance'].includes(dimension) && units.unit('length').symbol === 'mm'
    ? `± ${(2e6 * sigma).toFixed(1)} µm`
    : `± ${units.say(2 * sigma, dimension, 4)}`
})
/** Largest less smallest of the repeats. */
const scatter = computed(() =>
  reading.value?.repeats ? units.say(spreadOf(reading.value.repeats), quantity.value!.dimension) : '',
)
const instruments = computed(() => [
  { value: 'none', words: 'no instrument' },
  ...shop.house.instruments.map(({ name }) => ({ value: name, words: name })),
])
const instrument = computed(() =>
  shop.house.instruments.find(({ name }) => name === person.instruments[quantity.value?.dimension ?? '']),
)
const zeroed = computed(() =>
  instrument.value?.zeroedAt
    ? `zero checked ${new Date(instrument.value.zeroedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`
    : 'zero never checked',
)
function zeroNow() {
  const { name } = instrument.value!
  void shop.save((next) =>
    next.instruments.filter((each) => each.name === name).forEach((each) => (each.zeroedAt = new Date().toISOString())),
  )
}
const open = ref<'note' | 'former'>()
const note = ref('')
watch(
  () => quantity.value?.key,
  () => (open.value = undefined),
)

function toggle(what: 'note' | 'former') {
  open.value = open.value === what ? undefined : what
  note.value = reading.value?.note ?? ''
}
function amend(change: Partial<Reading>, label: string) {
  const { key } = quantity.value!
  const next = { ...toRaw(reading.value!), ...change }
  return build.change([{ op: 'add', path: `/readings/${key}`, value: next }], label)
}
function writeNote() {
  void amend({ note: note.value.trim() || undefined }, `${quantity.value!.label}, note`)
  open.value = undefined
}

const photoProblem = ref('')
const addPhoto = (id: string) =>
  amend({ photos: [...(reading.value?.photos ?? []), id].slice(-30) }, `${quantity.value!.label}, photo`)
</script>

<template>
  <aside v-if="quantity" class="reading-bar" aria-label="The value under the hand">
    <FormerValues v-if="open === 'former'" :quantity="quantity" :now="reading?.value" />
    <form v-if="open === 'note'" class="drawer" @submit.prevent="writeNote">
      <label class="quiet">Note on {{ quantity.label }}<textarea v-model="note" rows="2" maxlength="500" /></label
      ><Button type="submit">Write note</Button>
    </form>
    <p v-if="photoProblem" class="wrong" role="alert">{{ photoProblem }}</p>
    <div class="line">
      <span class="story" aria-live="polite"
        ><b>{{ quantity.label }}</b
        >{{ ' ' }}<span class="quiet">{{ words }}</span
        >{{ ' ' }}<span v-if="spread" class="mono quiet">{{ spread }}</span>
        <span v-if="reading?.repeats" class="quiet">
          mean of {{ reading.repeats.map((value) => units.showReading(value, quantity!)).join(', ') }},
          {{ scatter }} apart</span
        >
        <span v-if="reading?.note" class="quiet"> “{{ reading.note }}”</span
        ><span v-if="instrument" class="quiet zero">, in the hand: {{ instrument.name }}, {{ zeroed }}</span></span
      >
      <span v-if="reading?.photos" class="photos"
        ><a
          v-for="photo in reading.photos"
          :key="photo"
          :href="`/api/builds/${build.id}/photos/${photo}`"
          target="_blank"
          ><img
            :src="`/api/builds/${build.id}/photos/${photo}`"
            :alt="`Photo of ${quantity.label}`"
            width="36"
            height="36"
            loading="lazy" /></a
      ></span>
      <ChoiceField
        label="Instrument"
        quiet
        :value="person.instruments[quantity.dimension] || 'none'"
        :options="instruments"
        @choose="person.instruments[quantity.dimension] = $event === 'none' ? '' : $event"
      />
      <LazyRigGauge v-if="instrument?.name === 'Simulated gauge'" :quantity="quantity" />
      <button
        v-if="instrument"
        type="button"
        class="small"
        :title="`${zeroed}: the older, the less a reading is known`"
        @click="zeroNow"
      >
        Zero checked
      </button>
      <template v-if="reading">
        <button type="button" class="small" :aria-expanded="open === 'note'" @click="toggle('note')">Note</button>
        <AddPhoto
          :of="quantity.label"
          :keep="(file) => shrinkPhoto(file, build.id!, person.who)"
          @kept="addPhoto"
          @problem="photoProblem = $event"
        />
      </template>
      <button type="button" class="small" :aria-expanded="open === 'former'" @click="toggle('former')">
        Former values
      </button>
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
.small {
  min-height: 44px;
  padding: 0 8px;
  border: 0;
  background: none;
  color: var(--petrol);
  font-weight: 600;
  cursor: pointer;
  display: inline-flex;
  align-items: center;
  white-space: nowrap;
}
.small:hover {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.photos {
  display: flex;
  gap: 4px;
}
.photos img {
  object-fit: cover;
  display: block;
  border: 1px solid var(--rule);
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
textarea {
  padding: 8px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  font-size: 18px;
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
