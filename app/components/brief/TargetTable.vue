<script setup lang="ts">
import { lowered, named } from '~/words/speak'
import { t } from '~/words/of/brief'
import { oilAt } from '#core/oil/oil'
import { rodFeed as feedOf } from '#core/outlook/feed'
import { namedStates, STATE_LABELS } from '#core/outlook/states'
import { bearingsOf } from '#core/parts/clearances'
import { oilOf } from '#core/record/oil'
import { SCHOOLS } from '#core/record/words'
import { schools, type StateName } from '#core/targets/targets'

/** What each school asks for at the four states, side by side, and which of them governs. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const sheet = computed(() => build.sheet!)

const SCHOOL_WORDS = {
  auto: t('targetTable.makerElseTheHighest'),
  maker: t('targetTable.makersLimits'),
  'per-thousand': t('targetTable.tenPsiPerThousandRpm'),
  'rod-feed': t('targetTable.rodFeed'),
  own: t('targetTable.yourOwnNumbers'),
} as const
const SCHOOL_SHORT = {
  maker: t('targetTable.maker'),
  'per-thousand': t('targetTable.perThousand'),
  'rod-feed': t('targetTable.rodFeed2'),
  own: t('targetTable.yourOwn'),
  house: t('targetTable.houseFloor'),
} as const
const oil = computed(() => oilOf(sheet.value))
const rows = computed(() => {
  const largest = Math.max(...bearingsOf(sheet.value, 'main').map((record) => record.diameter))
  return namedStates(sheet.value).map((state) => ({
    state,
    said: schools(sheet.value, state, largest, oilAt(oil.value, state.temperature).density),
    target: outlook.now?.states.find((each) => each.name === state.name)?.target,
  }))
})
const rodFeed = computed(() => {
  const { pressure, speed } = feedOf(sheet.value)
  return t('targetTable.rodsNeedAtTheGalleryTo', {
    pressure: units.say(pressure, 'pressure', units.fine),
    speed: units.say(speed, 'speed'),
  })
})
function choose(path: string, value: unknown, label: string) {
  void build.change([{ op: 'replace', path, value }], label)
}
</script>

<template>
  <section class="block">
    <div class="block-head">
      <h2>{{ t('targetTable.targets') }}</h2>
      <span class="quiet"
        >{{ t('targetTable.governedBy') }}
        <ChoiceField
          :label="t('targetTable.governedBy')"
          quiet
          :value="sheet.school"
          :options="
            SCHOOLS.map((school) => ({
              value: school,
              words:
                school === 'auto'
                  ? t('targetTable.house', {
                      schoolWords: lowered(SCHOOL_WORDS[sheet.house?.school ?? 'auto']),
                    })
                  : SCHOOL_WORDS[school],
            }))
          "
          @choose="choose('/school', $event, t('targetTable.governingSchool'))"
      /></span>
    </div>
    <ResultTable
      :rows="rows"
      :label="t('targetTable.targets')"
      :attributes="(row) => ({ 'data-target': row.state.name })"
    >
      <Column :header="t('targetTable.atLeast', { unit: units.unit('pressure').symbol })"
        ><template #body="{ data }"
          >{{ named(STATE_LABELS[data.state.name as StateName]) }}&ensp;<span class="quiet speed">{{
            units.say(data.state.speed, 'speed')
          }}</span></template
        ></Column
      ><Column v-for="(words, school) in SCHOOL_SHORT" :key="school" :header="words" body-class="figures"
        ><template #body="{ data }"
          ><span :class="data.target?.school === school ? 'governs' : 'quiet'">{{
            data.said[school] === undefined ? '·' : units.show(data.said[school], 'pressure')
          }}</span></template
        ></Column
      ><Column :header="t('targetTable.target')" body-class="figures"
        ><template #body="{ data }">{{
          data.target
            ? t('targetTable.to', {
                least: units.show(data.target.least, 'pressure'),
                most: units.show(data.target.most, 'pressure'),
              })
            : ''
        }}</template></Column
      >
    </ResultTable>
    <p class="quiet reason">{{ t('targetTable.theMakersManualStandsAboveUldo', { rodFeed }) }}</p>
  </section>
</template>

<style scoped>
.governs {
  font-weight: 700;
  text-decoration: underline 2px var(--petrol);
  text-underline-offset: 5px;
}
.speed {
  font-weight: 400;
}
.reason {
  padding-top: 8px;
}
</style>
