<script setup lang="ts">
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
const feed = computed(() => rodFeed(build.sheet!))
const DRILLINGS = [
  { value: 'single', words: 'one mouth' },
  { value: 'through', words: 'right through' },
]
</script>

<template>
  <div>
    <div class="block-head">
      <h2>{{ record.label }}</h2>
      <span class="note">{{
        known ? (record.chosen ? 'with the shells chosen, not measured yet' : 'measured') : 'assumed'
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
            >Crank drilling<span class="origin"
              >fed {{ Math.round(100 * rodDuty(build.sheet!, number)) }} % of a turn from main
              {{ build.sheet!.layout.feed[number - 1] }}; at {{ units.say(feed.speed, 'speed') }} the gallery must hold
              {{ units.say(feed.pressure, 'pressure') }}</span
            ></span
          ><ChoiceField
            label="Crank drilling"
            :value="build.sheet!.choices['crank.drilling'] ?? 'single'"
            :options="DRILLINGS"
            @choose="build.change([{ op: 'add', path: '/choices/crank.drilling', value: $event }], 'Crank drilling')"
          />
        </div>
        <ReadingRow v-if="set === 'rod'" :name="`${key}.side`" run="survey" />
      </div>
    </div>

    <div class="columns block">
      <MainShells v-if="set === 'main'" :number="number" />
      <div>
        <StripReading :reading="key" :label="record.label" />
        <OldShell v-if="set === 'main'" class="block" :reading="key" :label="record.label" />
      </div>
      <OldShell v-if="set === 'rod'" :reading="key" :label="record.label" />
    </div>
    <FilmPanel :key="key" :set="set" :number="number" />
  </div>
</template>

<style scoped>
.row .origin {
  white-space: normal;
}
</style>
