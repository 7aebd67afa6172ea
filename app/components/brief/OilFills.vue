<script setup lang="ts">
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
  { field: 'prime', words: 'Primed on', same: 'the first fill' },
  { field: 'firstFill', words: 'First fill, to break in on', same: 'the running oil' },
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
  { value: SAME, words: field === 'prime' && !sheet.value.oils?.firstFill ? 'the running oil' : same },
  ...(sheet.value.oils?.[field]?.figures ? [{ value: OWN, words: nameOf(sheet.value.oils[field]!) }] : []),
  ...OIL_GRADES.map(({ name }) => ({ value: name, words: name })),
  ...onShelf.value.map((item) => ({ value: SHELF + item.id, words: `${item.label}, on the shelf` })),
]
const nameOf = (oil: OilChoice) => `${oil.grade}${oil.figures ? ', by its data sheet' : ''}`
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
  void build.change([{ op: 'add', path: `/oils/${field}/figures`, value: figures }], label, 'by its data sheet')
}
/** Prime and the four states with each oil. */
const { value: rows, error } = useAnswer(
  async (model) => {
    const own = sheet.value
    const primed = filledFor(own, 'prime')
    const first = own.oils?.firstFill
    const fills = [
      ...(first ? [{ key: 'firstFill', words: 'First fill', oil: first }] : []),
      { key: 'running', words: 'Running oil', oil: own.oil },
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
    <h2>Oil by phase</h2>
    <div class="fills">
      <div v-for="each in FILLS" :key="each.field" :data-phase="each.field">
        <div class="row">
          <span class="what">{{ each.words }}</span><ChoiceField
            :label="each.words"
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
          >{{ sheet.oils[each.field]!.figures ? 'Change its figures' : 'Type its data sheet' }}</Button
        >
        <OilSheetForm
          v-if="typing === each.field && sheet.oils?.[each.field]"
          :key="sheet.oils[each.field]!.grade"
          :oil="sheet.oils[each.field]!"
          :label="`Data sheet: ${each.words}`"
          @use="write(each.field, $event, each.words)"
        />
      </div>
      <OilInEngine />
    </div>
    <div v-if="rows" class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Gauge, {{ units.unit('pressure').symbol }}</th>
            <th v-for="state in STATE_NAMES" :key="state" scope="col">{{ STATE_LABELS[state] }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows.fills" :key="row.key" :data-fill="row.key">
            <th scope="row">
              {{ row.words }}<span class="quiet name">{{ row.name }}</span>
            </th>
            <td v-for="state in row.states" :key="state.name" class="mono">
              {{ state.pumpable ? units.show(state.pressure, 'pressure', units.fine) : 'may not flow'
              }}<span v-if="state.pumpable" class="quiet"
                >{{ units.show(state.low, 'pressure', units.fine) }} to
                {{ units.show(state.high, 'pressure', units.fine) }}</span
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        Primed on oil {{ rows.prime.name }}: the gauge should come to
        {{ units.say(rows.prime.expected.pressure, 'pressure', units.fine) }} ({{
          units.show(rows.prime.expected.low, 'pressure', units.fine)
        }}
        to {{ units.show(rows.prime.expected.high, 'pressure', units.fine) }}). The gauge card is for the running oil.
      </p>
    </div>
    <p v-else class="quiet" role="status">
      {{
        error || outlook.failed ? 'No figures with these oils: the model does not answer.' : 'Computing with each oil.'
      }}
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
table {
  width: 100%;
  margin-top: 10px;
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 8px 0 8px 12px;
  font-weight: 400;
  border-top: 1px solid var(--rule);
  vertical-align: top;
}
thead th {
  color: var(--quiet);
  border-top: 0;
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
tbody th {
  font-weight: 600;
}
.name,
td span {
  display: block;
  white-space: nowrap;
  font-size: 15px;
  font-weight: 400;
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
