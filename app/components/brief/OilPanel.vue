<script setup lang="ts">
import { OIL_GRADES } from '#core/oil/grades'
import type { OilFigures } from '#core/record/schema'
import { shelfOil } from '#core/shelf/figures'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/record/oil'
import { namedStates } from '#core/outlook/states'

/** The oil: grade or its data sheet's own figures, how thick it is over temperature, how cold it still pumps, what it should carry. */
const ViscosityChart = defineAsyncComponent(() => import('./ViscosityChart.vue'))
const build = useBuild()
const units = useUnits()
const sheet = computed(() => build.sheet!)
const oil = computed(() => oilOf(sheet.value))
const cold = computed(() => namedStates(sheet.value)[0].temperature)
const hot = computed(() => namedStates(sheet.value)[2].temperature)
const thick = (temperature: number) =>
  `${Number((1e3 * oilAt(oil.value, temperature).viscosity).toPrecision(3)).toLocaleString('en')} mPa·s`
const GRADES = OIL_GRADES.map(({ name }) => ({ value: name, words: name }))
/** Grades that still pump at the coldest start, thinnest when hot first. */
const pumping = computed(() =>
  OIL_GRADES.filter((grade) => grade.pumpingLimit <= cold.value)
    .sort((a, b) => a.kv100 - b.kv100)
    .map(({ name }) => name),
)

const own = ref(false)
function write(figures: OilFigures) {
  own.value = false
  void build.change([{ op: 'add', path: '/oil/figures', value: figures }], 'Oil, own figures')
}
function grade(name: string) {
  void build.change(
    [
      { op: 'replace', path: '/oil/grade', value: name },
      ...(sheet.value.oil.figures ? [{ op: 'remove' as const, path: '/oil/figures' }] : []),
      ...(sheet.value.choices['oil.shelf'] ? [{ op: 'remove' as const, path: '/choices/oil.shelf' }] : []),
    ],
    'Oil grade',
  )
}
const shelf = useShelf()
void shelf.load()
const oils = computed(() => shelf.fitting('oil', sheet.value.engine))
/** An oil from the rack: its measured figures stand above the grade's. */
function fromShelf(id: string) {
  const item = oils.value.find((each) => each.id === id)
  if (!item) return
  const value = shelfOil(item)
  void build.change(
    [
      { op: 'add', path: '/oil/figures', value },
      { op: 'add', path: '/choices/oil.shelf', value: item.label.slice(0, 80) },
    ],
    `Oil ${item.label}`,
    'as it stands on the shelf',
  )
}
/** A second grade mixed in, by volume. */
const SHARES = [10, 20, 25, 30, 40, 50, 60, 70, 75, 80, 90].map((share) => ({
  value: String(share),
  words: `${share} %`,
}))
const mixed = computed(() => sheet.value.oil.blend)
function mix(grade: string, share: number) {
  if (grade === 'none') void (mixed.value && build.change([{ op: 'remove', path: '/oil/blend' }], 'Oil blend'))
  else void build.change([{ op: 'add', path: '/oil/blend', value: { grade, share } }], 'Oil blend')
}
const additive = computed(() =>
  sheet.value.layout.followers === 'sliding'
    ? 'Sliding followers: break in on an oil with anti-wear additive, and keep to one that has it. Rules on additives differ by place.'
    : 'Roller followers: no additive is wanted for them; what the maker says of the oil is enough.',
)
</script>

<template>
  <section class="block">
    <div class="block-head">
      <h2>Oil</h2>
      <span class="note">{{
        sheet.oil.figures ? 'by its data sheet' : 'typical for its grade; a data sheet is better'
      }}</span>
    </div>
    <div class="oil">
      <div>
        <div class="row">
          <span class="what"
            >Oil grade<span class="origin"
              >{{ thick(hot) }} at {{ units.say(hot, 'temperature') }}, {{ thick(cold) }} at
              {{ units.say(cold, 'temperature') }}</span
            ></span
          ><ChoiceField label="Oil grade" :value="sheet.oil.grade" :options="GRADES" @choose="grade" />
        </div>
        <div v-if="oils.length > 0" class="row">
          <span class="what"
            >From the shelf<span v-if="sheet.choices['oil.shelf'] && sheet.oil.figures" class="origin">{{
              sheet.choices['oil.shelf']
            }}</span></span
          ><ChoiceField
            label="Oil from the shelf"
            value="none"
            :options="[
              { value: 'none', words: 'choose one' },
              ...oils.map((item) => ({ value: item.id, words: `${item.label}, ${item.count} there` })),
            ]"
            @choose="fromShelf"
          />
        </div>
        <div class="row">
          <span class="what">Mixed with</span
          ><ChoiceField
            label="Oil mixed in"
            :value="mixed?.grade ?? 'none'"
            :options="[{ value: 'none', words: 'nothing' }, ...GRADES]"
            @choose="mix($event, mixed?.share ?? 0.5)"
          />
        </div>
        <div v-if="mixed" class="row">
          <span class="what">Share of it<span class="origin">by volume; pumps down to the worse of the two</span></span
          ><ChoiceField
            label="Share mixed in"
            :value="String(Math.round(100 * mixed.share))"
            :options="SHARES"
            @choose="mix(mixed!.grade, Number($event) / 100)"
          />
        </div>
        <p v-if="!oilAt(oil, cold).pumpable" class="bad">
          This oil must pump down to {{ units.say(oil.pumpingLimit, 'temperature') }} only; the coldest start is
          {{ units.say(cold, 'temperature') }}. Take a thinner winter grade:
          {{ pumping.slice(0, 4).join(', ') || 'none in the list' }}.
        </p>
        <p v-else class="quiet limit">
          Pumps down to {{ units.say(oil.pumpingLimit, 'temperature') }}; the coldest start is
          {{ units.say(cold, 'temperature') }}.
        </p>
        <p class="quiet limit" data-testid="additive">{{ additive }}</p>
        <Button type="button" variant="outlined" :aria-expanded="own" @click="own = !own">{{
          sheet.oil.figures ? 'Change its figures' : 'Type its data sheet'
        }}</Button>
        <OilSheetForm v-if="own" :oil="sheet.oil" label="Data sheet" @use="write" />
      </div>
      <ViscosityChart :oil="oil" :cold="cold" :hot="hot" />
    </div>
  </section>
</template>

<style scoped>
.oil {
  display: grid;
  grid-template-columns: minmax(280px, 1fr) minmax(300px, 1fr);
  gap: 8px 34px;
  align-items: start;
}
.row .origin {
  white-space: normal;
}
.limit {
  padding: 8px 0 2px;
}
.bad {
  color: var(--stop);
  padding: 6px 0;
}
.unit {
  display: inline-block;
  width: 52px;
}
.p-button {
  margin-top: 10px;
}
@media (max-width: 760px) {
  .oil {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
