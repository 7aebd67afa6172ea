<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import { recorded } from '#core/engine/values'
import { bearingsOf, clearanceLimits } from '#core/parts/clearances'
import type { BearingSet } from '#core/parts/bearingReadings'
import type { ShellPlan } from '#core/shells/types'
import { oneAtATime } from '~/composables/oneAtATime'
import { useShellStock, wallWords } from '~/composables/useShellStock'

/** The best set of shells from the shelf by the solver, with others beside it; accepting takes them and writes the choice. */
const { set } = defineProps<{ set: BearingSet }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
const stock = useShellStock(() => set)
const records = computed(() => bearingsOf(build.sheet!, set))
const measured = computed(() => records.value.filter((record) => record.journal && record.bore && !record.conflict))
const limits = computed(() => clearanceLimits(build.sheet!, set, records.value[0].diameter))
const target = computed(() => 0.5 * (limits.value.least + limits.value.most))
const plan = shallowRef<ShellPlan>()
const problem = ref('')
/** What a set is chosen from: when any of it changes the set is out of date; fitting it changes none of it. */
const chosenFrom = computed(() =>
  JSON.stringify([
    set,
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
watch(
  () => set,
  () => (asked.value = false),
  { flush: 'sync' },
)
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
const gradeWords = (wall: number) => wallWords(wall, length)
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
    const key = `${now.set}.${now.number}` as const
    const wall = (walls.get(upper) ?? 0) + (walls.get(lower) ?? 0)
    return [
      {
        op: 'add' as const,
        path: `/shells/${key}`,
        value: { upper, lower, wall, boreAt: recorded(build.sheet!, `${key}.bore`)?.at ?? '' },
      },
    ]
  })
  void build.change(
    patch,
    t('shellChoice.shells', { set: set === 'main' ? t('shellChoice.main') : t('shellChoice.rod') }),
    t('shellChoice.chosenByTheSolverFromThe'),
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
</script>

<template>
  <section class="block">
    <div class="block-head">
      <h2>{{ t('shellChoice.bestSet') }}</h2>
      <span class="note">{{
        t('shellChoice.towardTheMiddleOfLimitsHalves', {
          target: units.say(target, 'clearance'),
          source: limits.source === 'maker' ? t('shellChoice.theMakers') : t('shellChoice.theHouses'),
        })
      }}</span>
    </div>
    <p v-if="measured.length === 0" class="quiet">{{ t('shellChoice.journalsAndBoresMustBeMeasured') }}</p>
    <Button v-else type="button" :disabled="stock.length === 0" @click="choose">{{
      t('shellChoice.chooseShellsFor', { count: measured.length, set: named(set === 'main' ? 'mains' : 'rods') })
    }}</Button>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <template v-if="plan">
      <JudgementLine v-if="plan.kind === 'short'" verdict="stop" data-testid="shell-verdict"
        ><b>{{ t('shellChoice.stockCannotDoIt', { reason: named(plan.reason) }) }}</b>
        {{
          t('shellChoice.orderWithThoseTheSetBelow', {
            order:
              plan.order.map((each) => `${each.count} ${each.half}, ${gradeWords(each.wall)}`).join('; ') ||
              t('shellChoice.theNextGrades'),
          })
        }}</JudgementLine
      >
      <JudgementLine v-else :verdict="plan.outside.length > 0 ? 'stop' : 'pass'" data-testid="shell-verdict"
        ><b>{{ t('shellChoice.atMostFromTheMiddle', { worst: units.say(plan.worst, 'clearance') }) }}</b>
        {{
          plan.outside.length > 0
            ? t('shellChoice.stayOutOfLimitOrderOther', { outside: plan.outside.join(', ') })
            : t('shellChoice.allInsideTheirLimits')
        }}</JudgementLine
      >
      <div v-if="sets.length > 1" class="actions sets" role="group" :aria-label="t('shellChoice.sets')">
        <Button
          v-for="(_, i) in sets"
          :key="i"
          type="button"
          :variant="shownSet === i ? undefined : 'outlined'"
          @click="shownSet = i"
          >{{
            i === 0
              ? t('shellChoice.best')
              : t('shellChoice.otherOff', {
                  worst: length(plan.kind === 'chosen' ? plan.alternatives[i - 1].worst : 0),
                })
          }}</Button
        >
      </div>
      <ResultTable :rows="rows" :label="t('shellChoice.theSet')" :attributes="(row) => ({ 'data-choice': row.id })">
        <Column field="id" :header="t('shellChoice.bearing')" /><Column
          v-for="half in ['upper', 'lower'] as const"
          :key="half"
          :header="named(half)"
          class="words"
          ><template #body="{ data }">{{
            gradeWords(stock.find((each) => each.id === data[half])?.wall ?? 0)
          }}</template></Column
        ><Column :header="t('shellChoice.now')" body-class="figures"
          ><template #body="{ data }"
            ><span class="quiet">{{ gap(data.now.bore!.value - data.now.journal!.value) }}</span></template
          ></Column
        ><Column :header="t('shellChoice.then', { unit: units.unit('clearance').symbol })" body-class="figures"
          ><template #body="{ data }"
            ><b>{{ gap(data.clearance) }}</b></template
          ></Column
        >
      </ResultTable>
      <Button v-if="plan.kind === 'chosen' && !accepted" type="button" @click="accept">{{
        t('shellChoice.fitThese')
      }}</Button>
      <p v-else-if="accepted" class="quiet">
        {{ t('shellChoice.chosenTheirClearancesCountAs') }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.sets {
  margin-top: 10px;
}
.wrong {
  color: var(--stop);
  padding-top: 6px;
}
</style>
