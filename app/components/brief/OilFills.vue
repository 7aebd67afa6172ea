<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/brief'
import { OIL_GRADES } from '#core/oil/grades'
import { STATE_LABELS } from '#core/outlook/states'
import { filledFor, filledWith, type OilChoice, oilFor } from '#core/record/fill'
import type { OilFigures } from '#core/record/schema'
import { shelfOil } from '#core/shelf/figures'
import { STATE_NAMES } from '#core/targets/targets'

/** What the engine is primed with, broken in on and runs on, and what the gauge should read with each. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const sheet = computed(() => build.sheet!)
const shelf = useShelf()
void shelf.load()
const onShelf = computed(() => shelf.fitting('oil', sheet.value.engine))

const FILLS = [
  { field: 'prime', words: t('oilFills.primedOn'), same: t('oilFills.theFirstFill') },
  { field: 'firstFill', words: t('oilFills.firstFillToBreakInOn'), same: t('oilFills.theRunningOil') },
] as const
type Field = (typeof FILLS)[number]['field']
const SAME = 'same'
const SHELF = 'shelf:'
const OWN = 'own'
const valueOf = (field: Field) => {
  const oil = sheet.value.oils?.[field]
  return oil === undefined ? SAME : oil.figures ? OWN : oil.grade
}
const optionsOf = (field: Field, same: string) => [
  { value: SAME, words: field === 'prime' && !sheet.value.oils?.firstFill ? t('oilFills.theRunningOil') : same },
  ...(sheet.value.oils?.[field]?.figures ? [{ value: OWN, words: nameOf(sheet.value.oils[field]!) }] : []),
  ...OIL_GRADES.map(({ name }) => ({ value: name, words: name })),
  ...onShelf.value.map((item) => ({
    value: SHELF + item.id,
    words: t('oilFills.onTheShelf', { item: named(item.label) }),
  })),
]
const nameOf = (oil: OilChoice) => `${oil.grade}${oil.figures ? t('oilFills.byItsDataSheet') : ''}`
/** An oil from the rack, as a sheet holds it: by its own figures. */
function fromShelf(id: string): OilChoice | undefined {
  const item = onShelf.value.find((each) => each.id === id)
  return item && { grade: item.label.slice(0, 20), figures: shelfOil(item) }
}
function choose(field: Field, value: string, label: string) {
  if (value === OWN) return
  const oil =
    value === SAME ? undefined : value.startsWith(SHELF) ? fromShelf(value.slice(SHELF.length)) : { grade: value }
  const oils = { ...sheet.value.oils, [field]: oil }
  if (oil === undefined) delete oils[field]
  const none = Object.keys(oils).length === 0
  void build.change(
    none
      ? sheet.value.oils
        ? [{ op: 'remove', path: '/oils' }]
        : []
      : [{ op: 'add', path: '/oils', value: JSON.parse(JSON.stringify(oils)) as typeof oils }],
    label,
  )
}
/** The fill whose data sheet is being typed. */
const typing = ref<Field>()
function write(field: Field, figures: OilFigures, label: string) {
  typing.value = undefined
  void build.change(
    [{ op: 'add', path: `/oils/${field}/figures`, value: figures }],
    label,
    t('oilFills.byItsDataSheet2'),
  )
}
/** Prime and the four states with each oil. */
const { value: rows, error } = useAnswer(
  async (model) => {
    const own = sheet.value
    const primed = filledFor(own, 'prime')
    const first = own.oils?.firstFill
    const fills = [
      ...(first ? [{ key: 'firstFill', words: t('oilFills.firstFill'), oil: first }] : []),
      { key: 'running', words: t('oilFills.runningOil'), oil: own.oil },
    ]
    return {
      prime: { name: nameOf(oilFor(own, 'prime')), expected: await model.prime(JSON.parse(JSON.stringify(primed))) },
      fills: await Promise.all(
        fills.map(async ({ key, words, oil }) => ({
          key,
          words,
          name: nameOf(oil),
          states: (await model.outlook(JSON.parse(JSON.stringify(filledWith(own, oil))))).states,
        })),
      ),
    }
  },
  () => build.sheet,
)
</script>

<template>
  <section class="block" data-testid="oil-fills">
    <h2>{{ t('oilFills.oilByPhase') }}</h2>
    <div class="fills">
      <div v-for="each in FILLS" :key="each.field" :data-phase="each.field">
        <div class="row">
          <span class="what">{{ named(each.words) }}</span><ChoiceField
            :label="named(each.words)"
            :value="valueOf(each.field)"
            :options="optionsOf(each.field, each.same)"
            @choose="choose(each.field, $event, each.words)"
          />
        </div>
        <Button
          v-if="sheet.oils?.[each.field]"
          type="button"
          variant="outlined"
          :aria-expanded="typing === each.field"
          @click="typing = typing === each.field ? undefined : each.field"
          >{{
            sheet.oils[each.field]!.figures ? t('oilFills.changeItsFigures') : t('oilFills.typeItsDataSheet')
          }}</Button
        >
        <OilSheetForm
          v-if="typing === each.field && sheet.oils?.[each.field]"
          :key="sheet.oils[each.field]!.grade"
          :oil="sheet.oils[each.field]!"
          :label="t('oilFills.dataSheet', { each: named(each.words) })"
          @use="write(each.field, $event, each.words)"
        />
      </div>
      <OilInEngine />
    </div>
    <div v-if="rows" class="drawing-scroll">
      <ResultTable
        :rows="rows.fills"
        :label="t('oilFills.gaugeWithEachOil')"
        :attributes="(row) => ({ 'data-fill': row.key })"
      >
        <Column :header="t('oilFills.gauge', { unit: units.unit('pressure').symbol })"
          ><template #body="{ data }"
            >{{ named(data.words) }}<span class="under">{{ data.name }}</span></template
          ></Column
        ><Column v-for="(state, i) in STATE_NAMES" :key="state" :header="named(STATE_LABELS[state])"
          ><template #body="{ data }"
            ><BandedFigure
              v-if="data.states[i].pumpable"
              :value="data.states[i].pressure"
              :low="data.states[i].low"
              :high="data.states[i].high"
              dimension="pressure"
              :fine="units.fine"
            /><template v-else>{{ t('oilFills.mayNotFlow') }}</template></template
          ></Column
        >
      </ResultTable>
      <p class="quiet">
        {{
          t('oilFills.primedOnOilTheGaugeShould', {
            name: rows.prime.name,
            pressure: units.say(rows.prime.expected.pressure, 'pressure', units.fine),
            low: units.show(rows.prime.expected.low, 'pressure', units.fine),
            high: units.show(rows.prime.expected.high, 'pressure', units.fine),
          })
        }}
      </p>
    </div>
    <p v-else class="quiet" role="status">
      {{ error || outlook.failed ? t('oilFills.noFiguresWithTheseOilsThe') : t('oilFills.computingWithEachOil') }}
    </p>
  </section>
</template>

<style scoped>
.fills {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 0 34px;
  align-items: start;
}
p {
  padding-top: 8px;
}
@media (max-width: 760px) {
  .fills {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
