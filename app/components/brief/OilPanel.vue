<script setup lang="ts">
import { named } from '~/words/speak'
import { significant } from '~/words/numbers'
import { t } from '~/words/of/brief'
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
const thick = (temperature: number) => `${significant(1e3 * oilAt(oil.value, temperature).viscosity, 3)} mPa·s`
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
  void build.change([{ op: 'add', path: '/oil/figures', value: figures }], t('oilPanel.oilOwnFigures'))
}
function grade(name: string) {
  void build.change(
    [
      { op: 'replace', path: '/oil/grade', value: name },
      ...(sheet.value.oil.figures ? [{ op: 'remove' as const, path: '/oil/figures' }] : []),
      ...(sheet.value.choices['oil.shelf'] ? [{ op: 'remove' as const, path: '/choices/oil.shelf' }] : []),
    ],
    t('oilPanel.oilGrade'),
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
    t('oilPanel.oil2', { item: named(item.label) }),
    t('oilPanel.asItStandsOnTheShelf'),
  )
}
/** A second grade mixed in, by volume. */
const SHARES = [10, 20, 25, 30, 40, 50, 60, 70, 75, 80, 90].map((share) => ({
  value: String(share),
  words: `${share} %`,
}))
const mixed = computed(() => sheet.value.oil.blend)
function mix(grade: string, share: number) {
  if (grade === 'none')
    void (mixed.value && build.change([{ op: 'remove', path: '/oil/blend' }], t('oilPanel.oilBlend')))
  else void build.change([{ op: 'add', path: '/oil/blend', value: { grade, share } }], t('oilPanel.oilBlend'))
}
const additive = computed(() =>
  sheet.value.layout.followers === 'sliding'
    ? t('oilPanel.slidingFollowersBreakInOnAn')
    : t('oilPanel.rollerFollowersNoAdditiveIs'),
)
</script>

<template>
  <section class="block">
    <div class="block-head">
      <h2>{{ t('oilPanel.oil') }}</h2>
      <span class="note">{{
        sheet.oil.figures ? t('oilPanel.byItsDataSheet') : t('oilPanel.typicalForItsGradeAData')
      }}</span>
    </div>
    <div class="oil">
      <div>
        <div class="row">
          <span class="what"
            >{{ t('oilPanel.oilGrade')
            }}<span class="origin">{{
              t('oilPanel.atAt', {
                thick: thick(hot),
                hot: units.say(hot, 'temperature'),
                thick2: thick(cold),
                cold: units.say(cold, 'temperature'),
              })
            }}</span></span
          ><ChoiceField :label="t('oilPanel.oilGrade')" :value="sheet.oil.grade" :options="GRADES" @choose="grade" />
        </div>
        <div v-if="oils.length > 0" class="row">
          <span class="what"
            >{{ t('oilPanel.fromTheShelf')
            }}<span v-if="sheet.choices['oil.shelf'] && sheet.oil.figures" class="origin">{{
              sheet.choices['oil.shelf']
            }}</span></span
          ><ChoiceField
            :label="t('oilPanel.oilFromTheShelf')"
            value="none"
            :options="[
              { value: 'none', words: t('oilPanel.chooseOne') },
              ...oils.map((item) => ({
                value: item.id,
                words: t('oilPanel.there', { item: item.label, count: item.count }),
              })),
            ]"
            @choose="fromShelf"
          />
        </div>
        <div class="row">
          <span class="what">{{ t('oilPanel.mixedWith') }}</span><ChoiceField
            :label="t('oilPanel.oilMixedIn')"
            :value="mixed?.grade ?? 'none'"
            :options="[{ value: 'none', words: t('oilPanel.nothing') }, ...GRADES]"
            @choose="mix($event, mixed?.share ?? 0.5)"
          />
        </div>
        <div v-if="mixed" class="row">
          <span class="what"
            >{{ t('oilPanel.shareOfIt') }}<span class="origin">{{ t('oilPanel.byVolumePumpsDownToThe') }}</span></span
          ><ChoiceField
            :label="t('oilPanel.shareMixedIn')"
            :value="String(Math.round(100 * mixed.share))"
            :options="SHARES"
            @choose="mix(mixed!.grade, Number($event) / 100)"
          />
        </div>
        <p v-if="!oilAt(oil, cold).pumpable" class="bad">
          {{
            t('oilPanel.thisOilMustPumpDownTo', {
              pumpingLimit: units.say(oil.pumpingLimit, 'temperature'),
              cold: units.say(cold, 'temperature'),
              pumping: pumping.slice(0, 4).join(', ') || t('oilPanel.noneInTheList'),
            })
          }}
        </p>
        <p v-else class="quiet limit">
          {{
            t('oilPanel.pumpsDownToTheColdestStart', {
              pumpingLimit: units.say(oil.pumpingLimit, 'temperature'),
              cold: units.say(cold, 'temperature'),
            })
          }}
        </p>
        <p class="quiet limit" data-testid="additive">{{ additive }}</p>
        <Button type="button" variant="outlined" :aria-expanded="own" @click="own = !own">{{
          sheet.oil.figures ? t('oilPanel.changeItsFigures') : t('oilPanel.typeItsDataSheet')
        }}</Button>
        <OilSheetForm v-if="own" :oil="sheet.oil" :label="t('oilPanel.dataSheet')" @use="write" />
      </div>
      <OnceNear class="charted"><ViscosityChart :oil="oil" :cold="cold" :hot="hot" /></OnceNear>
    </div>
  </section>
</template>

<style scoped>
.charted {
  min-height: 290px;
}
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
