<script setup lang="ts">
import { t } from '~/words/of/start'
import { LEAK_PLACES, type Remark, remarkEvent, REMARKS, remarksOf, type RemarkKind } from '#core/run/remarks'
import { LEAK_PLACE_WORDS, REMARK_WORDS } from '~/words/start'

/** What is seen or heard while the engine turns, one tap each; where a leak was and a photo of it, at once or afterwards. */
const { part = 'all' } = defineProps<{
  /** In one row beside a running engine: the taps, and a photo of what was noted last. */
  part?: 'all' | 'row'
}>()
const run = useRun()
const remarks = computed(() => remarksOf(run.events))
const noted = (kind: RemarkKind) => remarks.value.filter((remark) => remark.kind === kind)
/** What was noted last: it is what there is to be photographed. */
const last = computed(() => remarks.value.at(-1))
/** The tap that noted it takes it back as well: a glove hits the wrong one. */
function tap(kind: RemarkKind) {
  const last = noted(kind).at(-1)
  const { kind: event, data } = last ? remarkEvent.takeBack(last.key) : remarkEvent.note(kind)
  return run.event(event, last ? t('remarks.takenBack', { what: REMARK_WORDS[kind] }) : REMARK_WORDS[kind], data)
}
const sayPlace = (remark: Remark, place: (typeof LEAK_PLACES)[number]) => {
  const { kind, data } = remarkEvent.place(remark.key, place)
  return run.event(kind, t('remarks.leakAt', { place: LEAK_PLACE_WORDS[place] }), data)
}
const photograph = (remark: Remark, photo: string) => {
  const { kind, data } = remarkEvent.photograph(remark.key, photo)
  return run.event(kind, t('remarks.photoOf', { what: REMARK_WORDS[remark.kind] }), data)
}
const secondsOf = ({ time }: Remark) => t('remarks.at', { seconds: Math.round(time) })
</script>

<template>
  <div class="remarks" role="group" :aria-label="t('remarks.seenOrHeard')">
    <div v-if="!run.ended" class="taps" :class="{ large: part === 'row' }">
      <span class="quiet">{{ t('remarks.seenOrHeard') }}</span>
      <Button
        v-for="kind in REMARKS"
        :key="kind"
        type="button"
        variant="outlined"
        class="tap"
        :aria-pressed="noted(kind).length > 0"
        :data-remark="kind"
        @click="tap(kind)"
        >{{ REMARK_WORDS[kind]
        }}<small v-if="noted(kind).length > 0">{{ secondsOf(noted(kind).at(-1)!) }}</small></Button
      >
      <PhotoRow
        v-if="part === 'row' && last"
        :key="last.key"
        size="small"
        :words="t('remarks.photoOf', { what: REMARK_WORDS[last.kind] })"
        :of="REMARK_WORDS[last.kind]"
        :photos="last.photos"
        @kept="photograph(last, $event)"
      />
    </div>
    <template v-if="part === 'all' || run.ended">
      <div v-for="remark in remarks" :key="remark.key" class="noted" :data-noted="remark.kind">
        <b>{{ REMARK_WORDS[remark.kind] }}, {{ secondsOf(remark) }}</b>
        <SegmentChoice
          v-if="remark.kind === 'leak'"
          :label="t('remarks.where')"
          :value="remark.place"
          :options="LEAK_PLACES.map((value) => ({ value, words: LEAK_PLACE_WORDS[value] }))"
          @choose="$event && sayPlace(remark, $event)"
        /><PhotoRow
          size="small"
          :of="REMARK_WORDS[remark.kind]"
          :photos="remark.photos"
          @kept="photograph(remark, $event)"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.taps,
.noted {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin: 0;
}
.tap {
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--field);
  background: none;
  color: inherit;
}
.tap[aria-pressed='true'] {
  border-color: var(--watch);
  background: var(--watch);
  color: var(--sheet);
  font-weight: 650;
}
.tap small {
  margin-left: 6px;
  font-family: var(--mono);
}
.noted {
  border-top: 1px solid var(--rule);
  min-height: 44px;
}
.large .tap {
  min-height: 52px;
  font-size: 18px;
}
@media (max-width: 760px) {
  .large .tap {
    min-height: 44px;
    font-size: 16px;
  }
  .taps > .quiet {
    flex-basis: 100%;
  }
}
</style>
