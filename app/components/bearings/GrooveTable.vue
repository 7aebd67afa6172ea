<script setup lang="ts">
import { t } from '~/words/of/bearings'
import { OIL_GRADES } from '#core/oil/grades'

/** Grooves side by side for this engine, with its own oil and another: what gauge, film and the rods' oil make of each. */
const build = useBuild()
const units = useUnits()
const own = computed(() => build.sheet!.oil.grade)
const other = ref('')
/** The next thicker grade, until another is chosen. */
const beside = computed(() => {
  if (other.value) return other.value
  const at = OIL_GRADES.find(({ name }) => name === own.value)
  const thicker = OIL_GRADES.filter(({ kv100 }) => at && kv100 > at.kv100).sort((a, b) => a.kv100 - b.kv100)
  return thicker[0]?.name ?? OIL_GRADES[0].name
})
const { value: rows, error } = useAnswer(
  (_, slow) => (build.sheet ? slow().grooves(build.sheet, [own.value, beside.value]) : undefined),
  () => [build.sheet, beside.value],
)
const words = (arc: number | undefined) =>
  arc === undefined ? t('grooveTable.asRecorded') : arc === 0 ? t('grooveTable.none') : `${arc}°`
/** A film without its unit, where that follows. */
const bare = (film: number) => units.sayFilm(film).split(' ')[0]
const percent = (share: number) => `${Math.round(100 * share)} %`
</script>

<template>
  <section class="block" data-testid="grooves" tabindex="0" :aria-label="t('grooveTable.whichGrooveWithWhichOil')">
    <div class="block-head">
      <h2>{{ t('grooveTable.whichGrooveWithWhichOil') }}</h2>
      <span class="note">{{ t('grooveTable.hotFilmAtWorkingSpeedAir') }}</span>
    </div>
    <ReadOtherwise />
    <ResultTable
      v-if="rows"
      :rows="rows"
      :label="t('grooveTable.whichGrooveWithWhichOil')"
      :attributes="(row) => ({ class: { own: row.own } })"
    >
      <ColumnGroup type="header"
        ><Row
          ><Column :header="t('grooveTable.groove')" :rowspan="2" /><Column
            :header="t('grooveTable.rodsFed')"
            :rowspan="2" /><Column :header="t('grooveTable.inTheEngine', { own })" :colspan="3" /><Column :colspan="3"
            ><template #header
              ><ChoiceField
                :label="t('grooveTable.otherOil')"
                :value="beside"
                quiet
                :options="OIL_GRADES.map(({ name }) => ({ value: name, words: name }))"
                @choose="other = $event" /></template></Column></Row
        ><Row
          ><template v-for="oil in [own, beside]" :key="oil"
            ><Column :header="t('grooveTable.idle', { unit: units.unit('pressure').symbol })" /><Column
              :header="t('grooveTable.film')" /><Column :header="t('grooveTable.air')" /></template></Row
      ></ColumnGroup>
      <Column
        ><template #body="{ data }"
          >{{ words(data.arc) }}<span v-if="data.own" class="quiet">{{ ' ' }}{{ t('grooveTable.now') }}</span></template
        ></Column
      ><Column body-class="figures"
        ><template #body="{ data }">{{ percent(data.duty) }}</template></Column
      ><template v-for="i in [0, 1]" :key="i"
        ><Column
          ><template #body="{ data }"
            ><BandedFigure
              :value="data.with[i].idleHot.best"
              :low="data.with[i].idleHot.low"
              :high="data.with[i].idleHot.high"
              dimension="pressure" /></template></Column
        ><Column body-class="figures"
          ><template #body="{ data }"
            >{{ units.sayFilm(data.with[i].film.best)
            }}<span class="under">{{
              t('grooveTable.to', { bare: bare(data.with[i].film.low), high: units.sayFilm(data.with[i].film.high) })
            }}</span
            ><VerdictLabel v-if="data.with[i].verdict !== 'pass'" :verdict="data.with[i].verdict" /></template></Column
        ><Column body-class="figures"
          ><template #body="{ data }">{{ percent(data.with[i].air) }}</template></Column
        ></template
      >
    </ResultTable>
    <p v-else class="quiet">
      {{ error ? t('grooveTable.theGroovesCouldNotBeComputed') : t('grooveTable.workingOutTheGrooves') }}
    </p>
    <p class="quiet">
      {{ t('grooveTable.rodsFedShareOfATurn') }}
    </p>
  </section>
</template>

<style scoped>
:deep(.own) {
  font-weight: 650;
}
</style>
