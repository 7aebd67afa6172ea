<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import type { BearingSet } from '#core/parts/bearingReadings'
import { spreadOf } from '#core/bearing/survey'
import { halfBand } from '#core/quantity/uncertain'
import { shapeVerdicts, wallDifferences } from '#core/parts/shapes'
import { bearingsOf } from '#core/parts/clearances'

const VIEWS = [
  { view: 'measure', words: 'Measure' },
  { view: 'journal', words: 'One journal' },
  { view: 'shells', words: 'Shells' },
  { view: 'turn', words: 'Turn the crank' },
  { view: 'strip', words: 'Strip-down' },
] as const
type View = (typeof VIEWS)[number]['view']

const build = useBuild()
const units = useUnits()
const route = useRoute()
const router = useRouter()
const view = computed<View>(() => VIEWS.find((each) => each.view === route.query.view)?.view ?? 'measure')
const chosen = computed<{ set: BearingSet; number: number }>(() => {
  const [, set, number] = /^(main|rod)\.(\d+)$/.exec(String(route.query.at ?? '')) ?? []
  const count = set === 'rod' ? build.sheet!.layout.feed.length : build.sheet!.layout.mains
  return set && Number(number) >= 1 && Number(number) <= count
    ? { set: set as BearingSet, number: Number(number) }
    : { set: 'main', number: 1 }
})
const go = (next: View, at = `${chosen.value.set}.${chosen.value.number}`) =>
  router.replace({ query: next === 'measure' ? {} : { view: next, ...(next === 'journal' ? { at } : {}) } })
/** A journal in the drawing leads to its readings in the table, or is the one looked at. */
function enter(part: { set: BearingSet; number: number }) {
  if (view.value === 'journal') return void go('journal', `${part.set}.${part.number}`)
  const side = recorded(build.sheet!, `${part.set}.${part.number}.journal`) ? 'bore' : 'journal'
  const focus = () =>
    document.querySelector<HTMLInputElement>(`main [data-reading="${part.set}.${part.number}.${side}"]`)?.focus()
  if (view.value === 'measure') focus()
  else void go('measure').then(() => nextTick(focus))
}

const turns = computed(() => checksOf(build.sheet!.layout).find((check) => check.key === 'bearings.turns')!)
const { value: problems } = useAnswer(
  (model) => (build.sheet ? model.problems(build.sheet) : undefined),
  () => build.sheet,
)
const conflicts = computed(() =>
  (['main', 'rod'] as const)
    .flatMap((set) => bearingsOf(build.sheet!, set))
    .flatMap((record) => (record.conflict ? [record.conflict] : [])),
)
const shapes = computed(() =>
  (['main', 'rod'] as const)
    .flatMap((set) => shapeVerdicts(build.sheet!, set))
    .filter(({ verdict }) => verdict === 'stop' || verdict === 'watch'),
)
const differences = computed(() => (['main', 'rod'] as const).flatMap((set) => wallDifferences(build.sheet!, set)))
const pressure = (value: number) => units.say(Math.abs(value), 'pressure', units.fine)
const length = (value: number) => units.say(Math.abs(value), 'clearance')
const spreads = computed(() =>
  (['main', 'rod'] as const).flatMap((set) => {
    const values = bearingsOf(build.sheet!, set)
      .filter((record) => record.clearance.source === 'measured')
      .map((record) => record.clearance.value)
    return values.length > 2 ? [`${set === 'main' ? 'mains' : 'rods'} spread over ${length(spreadOf(values))}`] : []
  }),
)
</script>

<template>
  <div>
    <StationHead station="bearings" title="Bearings"
      >Caps torqued, vertical, at the crown. Front of the engine left.</StationHead
    >
    <CrankDrawing :chosen="view === 'journal' ? chosen : undefined" @enter="enter" />
    <ViewTabs label="Bearings" :views="VIEWS" :view="view" @go="go($event)" />

    <template v-if="view === 'measure'">
      <div class="columns tables"><BearingTable set="main" /><BearingTable set="rod" /></div>
      <p v-if="spreads.length > 0" class="quiet spread">
        {{ spreads.join('; ').replace(/^./, (letter) => letter.toUpperCase()) }}.
      </p>
      <section aria-label="Judgement">
        <JudgementLine v-for="words in conflicts" :key="words" verdict="stop">{{ words }}</JudgementLine>
        <JudgementLine v-for="shape in shapes" :key="shape.about" :verdict="shape.verdict"
          ><b
            >{{ shape.label }} {{ shape.verdict }}: its {{ shape.side }} is {{ length(shape.value) }}
            {{ shape.field === 'taper' ? 'tapered' : 'out of round' }},
            {{ shape.limit.source === 'maker' ? 'maker’s limit' : 'house limit' }}
            {{ units.show(shape.limit.value, 'clearance') }}.</b
          >
          {{
            shape.verdict === 'watch'
              ? `Close to the limit: ${Math.round(100 * shape.chance)} in 100 that it is beyond.`
              : shape.side === 'journal'
                ? 'Grind or change it: no shell makes up for a shape.'
                : 'Measure again with the cap torqued; look for dirt under the shell or a swapped cap.'
          }}</JudgementLine
        >
        <JudgementLine v-for="each in differences" :key="each.label" verdict="watch"
          ><b
            >{{ each.label }}: its bore over the shells is {{ length(each.difference) }}
            {{ each.difference > 0 ? 'wider' : 'narrower' }} than housing and walls leave, ±
            {{ units.show(halfBand(each), 'clearance') }}.</b
          >
          {{
            each.difference > 0
              ? 'A wall read too thick, a cap not torqued, or shells without crush.'
              : 'Dirt behind a shell, too much crush, or a wall read too thin.'
          }}</JudgementLine
        >
        <JudgementLine v-for="problem in problems ?? []" :key="problem.label" :verdict="problem.verdict">
          <b
            >{{ problem.label }} {{ problem.verdict }}: {{ units.say(problem.clearance, 'clearance') }}, limit
            {{ units.show(problem.limit, 'clearance') }}.</b
          >
          {{
            problem.verdict === 'stop'
              ? `${length(problem.clearance - problem.limit)} too ${problem.side}.`
              : `Close to the limit: ${Math.round(100 * problem.chance)} in 100 that it is outside.`
          }}
          <template v-if="problem.culprit"
            >Its {{ problem.culprit.side }} is {{ length(problem.culprit.difference) }}
            {{ problem.culprit.difference < 0 ? 'under' : 'over' }} the others.
          </template>
          <template v-if="problem.side === 'loose'"
            >Idle hot loses {{ pressure(problem.cost) }} by it. Shells {{ length(problem.shell) }} thicker on each side
            bring it to the middle of its limits.</template
          >
          <template v-else
            >Less oil passes, and there is no margin for heat. Shells {{ length(problem.shell) }} thinner on each side
            bring it to the middle.</template
          >
          <button type="button" class="linked" @click="go('shells')">Choose shells</button>
        </JudgementLine>
      </section>
      <section class="columns block">
        <div>
          <h2>The crank</h2>
          <CheckRow :item="turns" /><ReadingRow name="bearings.room" />
        </div>
        <div v-if="build.sheet!.layout.camBearings > 0">
          <h2>Cam</h2>
          <ReadingRow name="cam.clearance" />
        </div>
      </section>
    </template>
    <LazyJournalView v-else-if="view === 'journal'" :set="chosen.set" :number="chosen.number" />
    <LazyShellsView v-else-if="view === 'shells'" />
    <LazyTurnView v-else-if="view === 'turn'" />
    <LazyStripDown v-else />
  </div>
</template>

<style scoped>
.tables {
  grid-template-columns: repeat(auto-fit, minmax(345px, 1fr));
}
.spread {
  padding-top: 6px;
}
</style>
