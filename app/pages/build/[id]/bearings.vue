<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import { recorded } from '#core/engine/values'
import { checksOf } from '#core/engine/catalogue'
import type { BearingSet } from '#core/parts/bearingReadings'
import { spreadOf } from '#core/bearing/survey'
import { halfBand } from '#core/quantity/uncertain'
import { shapeVerdicts, wallDifferences } from '#core/parts/shapes'
import { bearingsOf } from '#core/parts/clearances'

const VIEWS = [
  { view: 'measure', words: t('bearings.measure') },
  { view: 'journal', words: t('bearings.oneJournal') },
  { view: 'shells', words: t('bearings.shells') },
  { view: 'turn', words: t('bearings.turnTheCrank') },
  { view: 'strip', words: t('bearings.stripDown') },
] as const
type View = (typeof VIEWS)[number]['view']

const build = useBuild()
const person = usePerson()
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
/** A view is a step that Back takes back; journal after journal in the one view is not. */
const go = (next: View, at = `${chosen.value.set}.${chosen.value.number}`) =>
  router[next === view.value ? 'replace' : 'push']({
    query: next === 'measure' ? {} : { view: next, ...(next === 'journal' ? { at } : {}) },
  })
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
    return values.length > 2
      ? [
          t('bearings.spreadOver', {
            set: named(set === 'main' ? 'mains' : 'rods'),
            spreadOf: length(spreadOf(values)),
          }),
        ]
      : []
  }),
)

/** One instrument at a time: all journals with the one micrometer, then all bores with the other. */
const WAYS = [
  { value: 'across', words: t('bearings.across') },
  { value: 'down', words: t('bearings.downAColumn') },
] as const
</script>

<template>
  <div>
    <StationHead station="bearings" :title="t('bearings.bearings')">{{
      t('bearings.capsTorquedVerticalAtTheCrown')
    }}</StationHead>
    <CrankDrawing :chosen="view === 'journal' ? chosen : undefined" @enter="enter" />
    <ViewTabs :label="t('bearings.bearings')" :views="VIEWS" :view="view" @go="go($event)">
      <template v-if="view === 'measure'">
        <div class="columns tables">
          <BearingTable set="main" /><ComesSoon><BearingTable set="rod" /></ComesSoon>
        </div>
        <div class="under">
          <p v-if="spreads.length > 0" class="quiet">
            {{ spreads.join('; ').replace(/^./, (letter) => letter.toUpperCase()) }}.
          </p>
          <span class="quiet enters"
            >{{ t('bearings.enterGoes') }}
            <SegmentChoice
              :label="t('bearings.enterGoes')"
              :value="person.enters"
              :options="WAYS"
              @choose="person.enters = $event ?? 'across'"
          /></span>
        </div>
        <section :aria-label="t('bearings.judgement')">
          <JudgementLine v-for="words in conflicts" :key="words" verdict="stop">{{ words }}</JudgementLine>
          <JudgementLine v-for="shape in shapes" :key="shape.about" :verdict="shape.verdict"
            ><b>{{
              t('bearings.itsIs', {
                shape: named(shape.label),
                verdict: named(shape.verdict),
                side: named(shape.side),
                shape2: length(shape.value),
                field: shape.field === 'taper' ? t('bearings.tapered') : t('bearings.outOfRound'),
                source: shape.limit.source === 'maker' ? t('bearings.makersLimit') : t('bearings.houseLimit'),
                limit: units.show(shape.limit.value, 'clearance'),
              })
            }}</b>
            {{
              shape.verdict === 'watch'
                ? t('bearings.closeToTheLimitIn100', { chance: Math.round(100 * shape.chance) })
                : shape.side === 'journal'
                  ? t('bearings.grindOrChangeItNoShell')
                  : t('bearings.measureAgainWithTheCapTorqued')
            }}</JudgementLine
          >
          <JudgementLine v-for="each in differences" :key="each.label" verdict="watch"
            ><b>{{
              t('bearings.itsBoreOverTheShellsIs', {
                each: named(each.label),
                difference: length(each.difference),
                difference2: each.difference > 0 ? t('bearings.wider') : t('bearings.narrower'),
                halfBand: units.show(halfBand(each), 'clearance'),
              })
            }}</b>
            {{
              each.difference > 0 ? t('bearings.aWallReadTooThickA') : t('bearings.dirtBehindAShellTooMuch')
            }}</JudgementLine
          >
          <JudgementLine v-for="problem in problems ?? []" :key="problem.label" :verdict="problem.verdict">
            <b>{{
              t('bearings.limit', {
                problem: named(problem.label),
                verdict: named(problem.verdict),
                clearance: units.say(problem.clearance, 'clearance'),
                limit: units.show(problem.limit, 'clearance'),
              })
            }}</b>
            {{
              problem.verdict === 'stop'
                ? t('bearings.too', { clearance: length(problem.clearance - problem.limit), side: named(problem.side) })
                : t('bearings.closeToTheLimitIn1002', { chance: Math.round(100 * problem.chance) })
            }}
            <template v-if="problem.culprit"
              >{{
                t('bearings.itsIsTheOthers', {
                  side: named(problem.culprit.side),
                  difference: length(problem.culprit.difference),
                  way: problem.culprit.difference < 0 ? t('bearings.under') : t('bearings.over'),
                })
              }}{{ ' ' }}</template
            >
            <template v-if="problem.side === 'loose'">{{
              t('bearings.idleHotLosesByItShells', { cost: pressure(problem.cost), shell: length(problem.shell) })
            }}</template>
            <template v-else>{{ t('bearings.lessOilPassesAndThereIs', { shell: length(problem.shell) }) }}</template>
            <Button type="button" variant="link" class="linked" @click="go('shells')">{{
              t('bearings.chooseShells')
            }}</Button>
          </JudgementLine>
        </section>
        <section class="columns block">
          <div>
            <h2>{{ t('bearings.theCrank') }}</h2>
            <CheckRow :item="turns" /><ReadingRow name="bearings.room" />
          </div>
          <div v-if="build.sheet!.layout.camBearings > 0">
            <h2>{{ t('bearings.cam') }}</h2>
            <ReadingRow name="cam.clearance" />
          </div>
        </section>
      </template>
      <LazyJournalView v-else-if="view === 'journal'" :set="chosen.set" :number="chosen.number" />
      <LazyShellsView v-else-if="view === 'shells'" />
      <LazyTurnView v-else-if="view === 'turn'" />
      <LazyStripDown v-else />
    </ViewTabs>
  </div>
</template>

<style scoped>
.tables {
  grid-template-columns: repeat(auto-fit, minmax(345px, 1fr));
}
.under {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  justify-content: space-between;
  padding-top: 6px;
}
.enters {
  margin-left: auto;
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
@media print {
  .enters {
    display: none;
  }
}
</style>
