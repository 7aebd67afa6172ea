<script setup lang="ts">
import type { BearingSet } from '#core/parts/bearingReadings'
import { useShellStock, wallWords } from '~/composables/useShellStock'

/** What lies in the drawers of one set, by its walls; counted anew in its cell, and added to. */
const { set } = defineProps<{ set: BearingSet }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
const stock = useShellStock(() => set)
const problem = ref('')
const gradeWords = (wall: number) => wallWords(wall, (value) => units.say(value, 'clearance'))

const grades = computed(() =>
  [...new Set(stock.value.map((each) => each.wall))]
    .sort((a, b) => a - b)
    .map((wall) => ({
      wall,
      upper: stock.value.find((each) => each.wall === wall && each.half === 'upper'),
      lower: stock.value.find((each) => each.wall === wall && each.half === 'lower'),
    })),
)

type Half = 'upper' | 'lower'
const draft = reactive({ half: 'upper' as Half, wall: '0', count: '1' })
const HALVES: { value: Half; words: string }[] = [
  { value: 'upper', words: 'upper' },
  { value: 'lower', words: 'lower' },
]
function recount(id: string, text: string) {
  const count = text === '' ? NaN : Number(text)
  if (!Number.isInteger(count) || count < 0 || count > 999) return void (problem.value = 'Enter 0 to 999.')
  problem.value = ''
  const known = stock.value.find((each) => each.id === id)
  if (known) void shelf.write(known.item, { count })
}
function addShell() {
  const thousandths = Number(draft.wall.replace(',', '.').replace('−', '-'))
  const count = Number(draft.count)
  if (!Number.isFinite(thousandths) || Math.abs(thousandths) > 2 || !Number.isInteger(count) || count < 0)
    return void (problem.value = 'Wall over standard in mm, such as 0.025, and a whole count.')
  problem.value = ''
  const { engine } = build.sheet!
  const id =
    `${engine} ${set} ${draft.half} ${thousandths === 0 ? 'standard' : `${thousandths > 0 ? '+' : '−'}${Math.abs(thousandths)}`}`.slice(
      0,
      80,
    )
  const known = stock.value.find((each) => each.id === id)
  void (known
    ? shelf.write(known.item, { count })
    : shelf.add({
        kind: 'shell',
        label: id,
        engine,
        count,
        place: '',
        note: '',
        properties: { set: set, half: draft.half, wall: thousandths / 1000 },
      }))
}
</script>

<template>
  <div>
    <table class="stock">
      <thead>
        <tr>
          <th scope="col">Wall</th>
          <th scope="col">upper halves</th>
          <th scope="col">lower halves</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="grade in grades" :key="grade.wall">
          <th scope="row">{{ gradeWords(grade.wall) }}</th>
          <td v-for="item in [grade.upper, grade.lower]" :key="item?.id">
            <DraftInput
              v-if="item"
              class="count mono"
              inputmode="numeric"
              :value="item.free"
              :aria-label="`${item.id} in stock`"
              @write="recount(item.id, $event)"
            /><span v-else class="quiet">none</span>
          </td>
        </tr>
        <tr v-if="grades.length === 0">
          <td colspan="3" class="quiet">
            No {{ set }} shells for {{ build.sheet!.engine }} on the shelf. Put in what lies in the drawer.
          </td>
        </tr>
      </tbody>
    </table>
    <div class="adding">
      <ChoiceField label="Half" :value="draft.half" :options="HALVES" @choose="draft.half = $event" /><label
        >wall over standard <InputText v-model="draft.wall" aria-label="Wall over standard, mm" /> mm</label
      ><label>count <InputText v-model="draft.count" aria-label="Count" inputmode="numeric" /></label
      ><Button type="button" variant="outlined" @click="addShell">Put on the shelf</Button>
    </div>
    <p v-if="problem || shelf.problem" class="wrong" role="alert">{{ problem || shelf.problem }}</p>
  </div>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin: 4px 0 10px;
}
th,
td {
  text-align: left;
  padding: 2px 12px 2px 0;
  height: 40px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
}
thead th {
  color: var(--quiet);
  border: 0;
}
tbody th {
  font-weight: 600;
}
.count {
  width: 74px;
  height: 44px;
  text-align: right;
  border: 1px solid transparent;
  border-bottom: 1px dashed var(--field);
  background: none;
  font-size: 18px;
  padding: 0 8px;
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
}
.adding .p-inputtext {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
.wrong {
  color: var(--stop);
  padding-top: 6px;
}
</style>
