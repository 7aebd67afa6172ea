<script setup lang="ts">
import { oneAtATime } from '~/composables/oneAtATime'
import type { BearingSet } from '#core/parts/bearingReadings'
import { adviseGroove, adviseShell } from '#core/bearing/shell'
import { bearingsOf, clearanceLimits } from '#core/parts/clearances'
import { requireValue } from '#core/engine/values'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/record/oil'
import type { ShellPlan } from '#core/shells/types'

/** Which shells: construction and groove with reasons, then the best set from the shelf by the solver; accepting writes the choice. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const set = ref<BearingSet>('main')
const SETS: { value: BearingSet; words: string }[] = [
  { value: 'main', words: 'Mains' },
  { value: 'rod', words: 'Rods' },
]

const records = computed(() => bearingsOf(build.sheet!, set.value))
const measured = computed(() => records.value.filter((record) => record.journal && record.bore && !record.conflict))
const limits = computed(() => clearanceLimits(build.sheet!, set.value, records.value[0].diameter))
const target = computed(() => 0.5 * (limits.value.least + limits.value.most))
/** Halves that are free, and those that this build holds already. */
const stock = computed(() =>
  shelf
    .fitting('shell', build.sheet!.engine)
    .filter((item) => item.properties.set === set.value)
    .map((item) => {
      const held = shelf.shareOf(build.id, item.id)
      return {
        item,
        id: item.label,
        half: item.properties.half as 'upper' | 'lower',
        wall: shelf.figure(item, 'wall')!,
        count: item.count - item.reserved + held.reserved + held.taken,
        free: item.count,
      }
    }),
)

const grades = computed(() =>
  [...new Set(stock.value.map((each) => each.wall))]
    .sort((a, b) => a - b)
    .map((wall) => ({
      wall,
      upper: stock.value.find((each) => each.wall === wall && each.half === 'upper'),
      lower: stock.value.find((each) => each.wall === wall && each.half === 'lower'),
    })),
)

/** Greatest load at working speed, from the orbit's own loads. */
const { value: specific } = useAnswer(
  async (_, slow) => {
    const sheet = build.sheet
    if (!sheet) return undefined
    const found = await slow().orbits(sheet, {
      speed: requireValue(sheet, 'brief.maximumSpeed').value,
      temperature: requireValue(sheet, 'brief.hotOil').value,
    })
    return found && found.length > 0 ? Math.max(...found.map((each) => each.specificLoad)) : undefined
  },
  () => build.sheet,
)
const shell = computed(() => (specific.value ? adviseShell(specific.value, build.sheet!.use) : undefined))
const groove = computed(() =>
  adviseGroove(oilAt(oilOf(build.sheet!), requireValue(build.sheet!, 'brief.hotOil').value).filmViscosity),
)
const CONSTRUCTIONS = [
  { value: 'open', words: 'not decided' },
  { value: 'two-layer', words: 'two-layer' },
  { value: 'three-layer', words: 'three-layer' },
]
const GROOVES: { value: '180' | '360'; words: string }[] = [
  { value: '180', words: 'half circle' },
  { value: '360', words: 'full circle' },
]
const arc = computed(() => (build.sheet!.layout.mainGroove === 360 ? ('360' as const) : ('180' as const)))
const construction = computed(() => build.sheet!.choices['shell.construction'] ?? 'open')
function decide(value: string) {
  const path = '/choices/shell.construction'
  if (value !== 'open') void build.change([{ op: 'add', path, value }], 'Shell construction')
  else if (construction.value !== 'open') void build.change([{ op: 'remove', path }], 'Shell construction')
}

const plan = shallowRef<ShellPlan>()
const problem = ref('')
/** What a set is chosen from: when any of it changes the set is out of date; fitting it changes none of it. */
const chosenFrom = computed(() =>
  JSON.stringify([
    set.value,
    stock.value.map(({ id, half, wall, count }) => [id, half, wall, count]),
    limits.value,
    measured.value.map(({ bore, journal }) => [bore!.value, journal!.value]),
  ]),
)
/** Asked for once, a set is kept to what lies in the drawers: when they change it is chosen anew, until it was fitted. */
const asked = ref(false)
watch(chosenFrom, () => {
  plan.value = undefined
  if (asked.value) void choose()
})
watch(set, () => (asked.value = false), { flush: 'sync' })
const choose = oneAtATime(async () => {
  asked.value = true
  problem.value = ''
  try {
    // A stock that changes while it is computed makes the answer one of another shelf: it is asked again.
    for (let from = ''; from !== chosenFrom.value;) {
      from = chosenFrom.value
      const found = await useSlowWorker().shells({
        stations: measured.value.map(({ label, bore, journal }) => ({
          id: label,
          clearance: bore!.value - journal!.value,
        })),
        stock: stock.value.map(({ id, half, wall, count }) => ({ id, half, wall, count })),
        target: target.value,
        least: limits.value.least,
        most: limits.value.most,
      })
      if (from === chosenFrom.value) plan.value = found
    }
  } catch (error) {
    problem.value = (error as Error).message.replace(/^\w+: /, '')
  }
})
/** Which of the sets is looked at: the best, or one of the others. */
const shownSet = ref(0)
watch(plan, () => (shownSet.value = 0))
const sets = computed(() =>
  plan.value
    ? [
        plan.value.choices,
        ...(plan.value.kind === 'chosen' ? plan.value.alternatives.map(({ choices }) => choices) : []),
      ]
    : [],
)
const rows = computed(
  () =>
    sets.value[shownSet.value]?.map((choice) => ({
      ...choice,
      now: measured.value.find((record) => record.label === choice.id)!,
    })) ?? [],
)
const gap = (value: number) => units.show(value, 'clearance')
const length = (value: number) => units.say(value, 'clearance')
const gradeWords = (wall: number) =>
  Math.abs(wall) < 5e-7 ? 'standard' : `${units.say(Math.abs(wall), 'clearance')} ${wall > 0 ? 'thicker' : 'thinner'}`
/** How many halves of each kind the set shown takes, beside what this build holds already: taken from the shelf, what is left over put back. */
function movesFor(wanted: Map<string, number>) {
  return stock.value.flatMap(({ item, id }) => {
    const more = (wanted.get(id) ?? 0) - shelf.shareOf(build.id, item.id).taken
    return more === 0
      ? []
      : [{ item: item.id, move: more > 0 ? ('take' as const) : ('put-back' as const), count: Math.abs(more) }]
  })
}
/** Takes the halves from the shelf and writes every pair; what was chosen before and is no longer wanted goes back. */
async function accept() {
  asked.value = false
  const [chosen, walls] = [rows.value, new Map(stock.value.map(({ id, wall }) => [id, wall]))]
  const wanted = new Map<string, number>()
  for (const { upper, lower } of chosen) for (const id of [upper, lower]) wanted.set(id, (wanted.get(id) ?? 0) + 1)
  const moves = movesFor(wanted)
  const patch = chosen.flatMap(({ upper, lower, now }) => {
    const key = `${now.set}.${now.number}`
    const wall = (walls.get(upper) ?? 0) + (walls.get(lower) ?? 0)
    return [
      {
        op: 'add' as const,
        path: `/shells/${key}`,
        value: { upper, lower, wall, boreAt: build.sheet!.readings[`${key}.bore`]?.at ?? '' },
      },
    ]
  })
  void build.change(
    patch,
    `${set.value === 'main' ? 'Main' : 'Rod'} shells`,
    'chosen by the solver from the shelf',
    moves,
  )
}
const accepted = computed(
  () =>
    rows.value.length > 0 &&
    rows.value.every(({ upper, lower, now }) => {
      const own = build.sheet!.shells[`${now.set}.${now.number}`]
      return own?.upper === upper && own.lower === lower
    }),
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
    `${engine} ${set.value} ${draft.half} ${thousandths === 0 ? 'standard' : `${thousandths > 0 ? '+' : '−'}${Math.abs(thousandths)}`}`.slice(
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
        properties: { set: set.value, half: draft.half, wall: thousandths / 1000 },
      }))
}
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>Construction</h2>
        <div class="row">
          <span class="what"
            >Shells<span v-if="shell" class="origin">{{ shell.construction }} advised</span></span
          ><ChoiceField label="Shell construction" :value="construction" :options="CONSTRUCTIONS" @choose="decide" />
        </div>
        <p class="quiet reason" data-testid="advice">{{ shell ? `${shell.reason}.` : 'Working out the loads.' }}</p>
      </section>
      <section>
        <h2>Groove of the mains</h2>
        <div class="row">
          <span class="what"
            >Arc<span class="origin">{{ groove.arc }}° advised</span></span
          ><ChoiceField
            label="Groove arc"
            :value="arc"
            :options="GROOVES"
            @choose="
              build.change(
                [{ op: 'replace', path: '/layout/mainGroove', value: Number($event) }],
                'Groove of the mains',
              )
            "
          />
        </div>
        <p class="quiet reason">{{ groove.reason.replace(/^./, (letter) => letter.toUpperCase()) }}.</p>
      </section>
    </div>

    <section class="block">
      <div class="block-head">
        <h2>From the shelf</h2>
        <span class="actions"
          ><Button
            v-for="each in SETS"
            :key="each.value"
            type="button"
            :variant="set === each.value ? undefined : 'outlined'"
            @click="set = each.value"
            >{{ each.words }}</Button
          ></span
        >
      </div>
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
    </section>

    <section class="block">
      <div class="block-head">
        <h2>Best set</h2>
        <span class="note"
          >toward {{ units.say(target, 'clearance') }}, the middle of
          {{ limits.source === 'maker' ? 'the maker’s' : 'the house’s' }} limits; halves at most one grade apart</span
        >
      </div>
      <p v-if="measured.length === 0" class="quiet">Journals and bores must be measured first.</p>
      <Button v-else type="button" :disabled="stock.length === 0" @click="choose"
        >Choose shells for {{ measured.length }} {{ set === 'main' ? 'mains' : 'rods' }}</Button
      >
      <template v-if="plan">
        <JudgementLine v-if="plan.kind === 'short'" verdict="stop" data-testid="shell-verdict"
          ><b>Stock cannot do it: {{ plan.reason }}.</b> Order
          {{
            plan.order.map((each) => `${each.count} ${each.half}, ${gradeWords(each.wall)}`).join('; ') ||
            'the next grades'
          }}. With those the set below is the best.</JudgementLine
        >
        <JudgementLine v-else :verdict="plan.outside.length > 0 ? 'stop' : 'pass'" data-testid="shell-verdict"
          ><b>At most {{ units.say(plan.worst, 'clearance') }} from the middle.</b>
          {{
            plan.outside.length > 0
              ? `${plan.outside.join(', ')} stay out of limit: order other grades.`
              : 'All inside their limits.'
          }}</JudgementLine
        >
        <div v-if="sets.length > 1" class="actions sets" role="group" aria-label="Sets">
          <Button
            v-for="(_, i) in sets"
            :key="i"
            type="button"
            :variant="shownSet === i ? undefined : 'outlined'"
            @click="shownSet = i"
            >{{
              i === 0 ? 'Best' : `Other, ${length(plan.kind === 'chosen' ? plan.alternatives[i - 1].worst : 0)} off`
            }}</Button
          >
        </div>
        <table class="chosen">
          <thead>
            <tr>
              <th scope="col">Bearing</th>
              <th scope="col">upper</th>
              <th scope="col">lower</th>
              <th scope="col">now</th>
              <th scope="col">then, {{ units.unit('clearance').symbol }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.id" :data-choice="row.id">
              <th scope="row">{{ row.id }}</th>
              <td>{{ gradeWords(stock.find((each) => each.id === row.upper)?.wall ?? 0) }}</td>
              <td>{{ gradeWords(stock.find((each) => each.id === row.lower)?.wall ?? 0) }}</td>
              <td class="mono quiet">{{ gap(row.now.bore!.value - row.now.journal!.value) }}</td>
              <td class="mono then">{{ gap(row.clearance) }}</td>
            </tr>
          </tbody>
        </table>
        <Button v-if="plan.kind === 'chosen' && !accepted" type="button" @click="accept">Fit these</Button>
        <p v-else-if="accepted" class="quiet">
          Chosen. Their clearances count as computed until the bores are measured with them.
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.reason {
  padding-top: 6px;
}
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
.chosen .mono {
  font-size: 17px;
  text-align: right;
}
.chosen thead th:nth-child(n + 4) {
  text-align: right;
}
.then {
  font-weight: 700;
}
.sets {
  margin-top: 10px;
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
