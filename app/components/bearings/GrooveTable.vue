<script setup lang="ts">
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
const words = (arc: number | undefined) => (arc === undefined ? 'As recorded' : arc === 0 ? 'None' : `${arc}°`)
/** A film without its unit, where that follows. */
const bare = (film: number) => units.sayFilm(film).split(' ')[0]
const percent = (share: number) => `${Math.round(100 * share)} %`
</script>

<template>
  <section class="block" data-testid="grooves" tabindex="0" aria-label="Which groove with which oil">
    <div class="block-head">
      <h2>Which groove with which oil</h2>
      <span class="note">hot; film at working speed, air at the highest</span>
    </div>
    <ReadOtherwise />
    <table v-if="rows" class="grooves">
      <thead>
        <tr>
          <th scope="col" rowspan="2">Groove</th>
          <th scope="col" rowspan="2" class="number">rods fed</th>
          <th scope="colgroup" colspan="3">{{ own }}, in the engine</th>
          <th scope="colgroup" colspan="3">
            <ChoiceField
              label="Other oil"
              :value="beside"
              quiet
              :options="OIL_GRADES.map(({ name }) => ({ value: name, words: name }))"
              @choose="other = $event"
            />
          </th>
        </tr>
        <tr>
          <template v-for="oil in [own, beside]" :key="oil"
            ><th scope="col" class="number">idle, {{ units.unit('pressure').symbol }}</th>
            <th scope="col" class="number">film</th>
            <th scope="col" class="number">air</th></template
          >
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="String(row.arc)" :class="{ own: row.own }">
          <th scope="row">{{ words(row.arc) }}<span v-if="row.own" class="quiet"> now</span></th>
          <td class="mono number">{{ percent(row.duty) }}</td>
          <template v-for="(each, i) in row.with" :key="i"
            ><td class="mono number">
              {{ units.show(each.idleHot.best, 'pressure')
              }}<small
                >{{ units.show(each.idleHot.low, 'pressure') }} to
                {{ units.show(each.idleHot.high, 'pressure') }}</small
              >
            </td>
            <td class="mono number">
              {{ units.sayFilm(each.film.best)
              }}<small>{{ bare(each.film.low) }} to {{ units.sayFilm(each.film.high) }}</small
              ><VerdictLabel v-if="each.verdict !== 'pass'" :verdict="each.verdict" />
            </td>
            <td class="mono number">{{ percent(each.air) }}</td></template
          >
        </tr>
      </tbody>
    </table>
    <p v-else class="quiet">{{ error ? 'The grooves could not be computed.' : 'Working out the grooves.' }}</p>
    <p class="quiet">
      Rods fed: share of a turn in which the least fed drilling faces a groove or hole. Air: what its passage draws in
      the rest of it, by Uldo’s own estimate; compare grooves by it, no more. Film: by the oil’s one mean temperature;
      with grooves all round its thinnest place is hotter still, and the film of One journal says less.
    </p>
  </section>
</template>

<style scoped>
.grooves {
  width: 100%;
  border-collapse: collapse;
}
.grooves th {
  text-align: left;
  font-weight: 400;
  color: var(--quiet);
  padding: 4px 0 4px 14px;
  vertical-align: bottom;
}
.grooves tbody tr {
  border-top: 1px solid var(--rule);
  height: 44px;
}
.grooves tbody th {
  vertical-align: middle;
  color: var(--ink);
  white-space: nowrap;
}
.grooves th:first-child {
  padding-left: 0;
}
.grooves .number {
  text-align: right;
  padding-left: 14px;
  white-space: nowrap;
}
.grooves small {
  display: block;
  font-size: 14px;
  font-weight: 400;
  color: var(--quiet);
  letter-spacing: -0.02em;
}
.grooves .own {
  font-weight: 650;
}
.grooves .own th {
  font-weight: 650;
}
.grooves .verdict {
  margin-left: 8px;
}
@media (max-width: 760px) {
  .block {
    overflow-x: auto;
  }
  .grooves {
    min-width: 640px;
  }
}
</style>
