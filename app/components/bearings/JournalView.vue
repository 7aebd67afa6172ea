<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import { rodDuty } from '#core/parts/feedDuty'
import { rodFeed } from '#core/outlook/feed'
import type { BearingSet } from '#core/parts/bearingReadings'
import { bearingsOf } from '#core/parts/clearances'

/** One journal: its old shell, its readings in planes and at angles or by strip, what they come to, its film. */
const { set, number } = defineProps<{ set: BearingSet; number: number }>()
const build = useBuild()
const units = useUnits()
const key = computed(() => `${set}.${number}`)
const record = computed(() => bearingsOf(build.sheet!, set)[number - 1])
const known = computed(() => record.value.clearance.source === 'measured' || record.value.chosen !== undefined)
/** Whether the zones of its old shell are looked at, below everything else: two pictures side by side want the width. */
const zones = ref(false)
const shellPhotos = computed(() => build.sheet!.inspections[`${key.value}.oldShell`]?.photos ?? [])
const feed = computed(() => rodFeed(build.sheet!))
const DRILLINGS = [
  { value: 'single', words: t('journalView.oneMouth') },
  { value: 'through', words: t('journalView.rightThrough') },
]
</script>

<template>
  <div>
    <div class="block-head">
      <h2>{{ named(record.label) }}</h2>
      <span class="note">{{
        known
          ? record.chosen
            ? t('journalView.withTheShellsChosenNotMeasured')
            : t('journalView.measured')
          : t('journalView.assumed')
      }}</span>
    </div>
    <JournalVerdicts :set="set" :number="number" :record="record" :known="known" />
    <JournalSurvey :reading="key" :record="record" />
    <div class="columns">
      <div><ReadingRow :name="`${key}.housing`" run="survey" /><ReadingRow :name="`${key}.wall`" run="survey" /></div>
      <div>
        <ReadingRow name="bearings.room" run="survey" />
        <div v-if="set === 'rod'" class="row">
          <span class="what"
            >{{ t('journalView.crankDrilling')
            }}<span class="origin">{{
              t('journalView.fedOfATurnFromMain', {
                rodDuty: Math.round(100 * rodDuty(build.sheet!, number)),
                feed: build.sheet!.layout.feed[number - 1],
                speed: units.say(feed.speed, 'speed'),
                pressure: units.say(feed.pressure, 'pressure'),
              })
            }}</span></span
          ><ChoiceField
            :label="t('journalView.crankDrilling')"
            :value="build.sheet!.choices['crank.drilling'] ?? 'single'"
            :options="DRILLINGS"
            @choose="
              build.change(
                [{ op: 'add', path: '/choices/crank.drilling', value: $event }],
                t('journalView.crankDrilling'),
              )
            "
          />
        </div>
        <ReadingRow v-if="set === 'rod'" :name="`${key}.side`" run="survey" />
      </div>
    </div>

    <div class="columns block">
      <MainShells v-if="set === 'main'" :number="number" />
      <div>
        <StripReading :reading="key" :label="named(record.label)" />
        <OldShell
          v-if="set === 'main'"
          v-model:zones="zones"
          class="block"
          :reading="key"
          :label="named(record.label)"
        />
      </div>
      <OldShell v-if="set === 'rod'" v-model:zones="zones" :reading="key" :label="named(record.label)" />
    </div>
    <LazyShellZones
      v-if="zones && shellPhotos.length > 0"
      :key="`${key} zones`"
      class="block"
      :reading="key"
      :label="named(record.label)"
      :photos="shellPhotos"
    />
    <FilmPanel :key="key" :set="set" :number="number" />
  </div>
</template>

<style scoped>
.row .origin {
  white-space: normal;
}
</style>
