<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { t } from '~/words/of/relief'
import type { ValveName } from '#core/parts/reliefReadings'
import { valveHasGrounds } from '#core/parts/relief'
import { limitOf } from '#core/house/makerLimits'
import { STATE_LABELS } from '#core/outlook/states'
import type { StateName } from '#core/targets/targets'

const VIEWS = [
  { view: 'valve', words: t('relief.springAndPlunger') },
  { view: 'routes', words: t('relief.routesAndShims') },
  { view: 'fit', words: t('relief.seatThreadSeals') },
  { view: 'bench', words: t('relief.benchTest') },
  { view: 'label', words: t('relief.plugLabel') },
] as const
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const route = useRoute()
const { view, go } = useView(VIEWS)
const two = computed(() => build.sheet!.layout.galleryRelief)
const open = computed<ValveName>(() => (two.value && route.query.valve === 'relief2' ? 'relief2' : 'relief'))
const { value: summary } = useAnswer(
  (model) => (build.sheet ? model.relief(build.sheet, open.value) : undefined),
  () => [build.sheet, open.value],
)
const { value: governs } = useAnswer(
  (model) => (build.sheet && two.value ? model.governing(build.sheet) : undefined),
  () => build.sheet,
)
const { value: cures } = useAnswer(
  (model) => (build.sheet ? model.cures(build.sheet) : undefined),
  () => build.sheet,
)
const margin = computed(() => limitOf(build.sheet!, 'relief.bindMargin').value)
const p = (value: number) => units.say(value, 'pressure', units.fine)
const idle = computed(() => outlook.now?.states.find((state) => state.name === 'idleHot'))
const shutAtIdle = computed(() => summary.value !== undefined && summary.value.lift.idleHot === 0)
const NAMES: Record<ValveName, string> = {
  relief: t('relief.theValveAtThePump'),
  relief2: t('relief.theValveAtTheGallerysEnd'),
}
/** Valves that stand on layout values alone: which of two governs cannot be told while there is one. */
const unsaid = computed(() =>
  two.value ? (['relief', 'relief2'] as const).filter((name) => !valveHasGrounds(build.sheet!, name)) : [],
)
/** The state at which a valve is open, coldest first: there the words about governing are said. */
const governed = computed(() => {
  const found = governs.value
  if (!found || unsaid.value.length > 0) return undefined
  const state = (['workingHot', 'idleCold', 'idleHot', 'crankingCold'] as StateName[]).find((name) => found.by[name])
  if (!state) return undefined
  const by = found.by[state]!
  const other: ValveName = by === 'relief' ? 'relief2' : 'relief'
  return { by, other, state, own: found.raised[by][state], others: found.raised[other][state] }
})
</script>

<template>
  <div>
    <StationHead station="relief" :title="t('relief.relief')">{{
      shutAtIdle ? t('relief.itSetsTheCeilingItIs') : t('relief.plungerSpringPlugWhatSetsThe')
    }}</StationHead>
    <div v-if="two" class="actions tabs" role="group" :aria-label="t('relief.whichValve')">
      <Button
        type="button"
        :variant="open === 'relief' ? undefined : 'outlined'"
        @click="go(view, { valve: undefined })"
        >{{ t('relief.atThePump') }}</Button
      >
      <Button
        type="button"
        :variant="open === 'relief2' ? undefined : 'outlined'"
        @click="go(view, { valve: 'relief2' })"
        >{{ t('relief.atTheGallerysEnd') }}</Button
      >
      <span v-if="governed" class="governs" data-testid="governs"
        ><b>{{ t('relief.governs', { names: NAMES[governed.by].replace(/^t/, 'T') }) }}</b
        >{{
          t('relief.halfAMillimetreMoreShimThere', {
            stateLabels: inSentence(STATE_LABELS[governed.state]),
            own: p(governed.own),
            others: p(Math.abs(governed.others)),
          })
        }}</span
      >
    </div>
    <p v-if="unsaid.length > 0" class="quiet" data-testid="governs-unknown">
      {{
        t(
          'relief.whichOfTheTwoGovernsCannot',
          {
            unsaid: unsaid.map((name) => NAMES[name]).join(` ${t('relief.and')} `),
          },
          unsaid.length,
        )
      }}
    </p>
    <ReliefDrawing :valve="open" :summary="summary" />
    <ViewTabs :label="t('relief.relief')" :views="VIEWS" :view="view" @go="go($event)">
      <ReliefSpring v-if="view === 'valve'" :valve="open" :summary="summary" />
      <LazyReliefRoutes v-else-if="view === 'routes'" :valve="open" :summary="summary" />
      <LazyReliefFit v-else-if="view === 'fit'" :valve="open" />
      <LazyReliefBench v-else-if="view === 'bench'" :valve="open" :summary="summary" />
      <LazyReliefLabel v-else :valve="open" />
    </ViewTabs>
    <section :aria-label="t('relief.judgement')" class="block">
      <JudgementLine
        v-if="summary?.bindMargin !== undefined && summary.bindMargin < margin"
        :verdict="summary.bindMargin < 0 ? 'stop' : 'watch'"
        ><b>{{
          t('relief.leftBeforeTheCoilsTouch', {
            bindMargin: units.say(summary.bindMargin, 'length'),
            source:
              limitOf(build.sheet!, 'relief.bindMargin').source === 'maker'
                ? t('relief.makersLimit')
                : t('relief.houseMark'),
            margin: units.say(margin, 'length'),
          })
        }}</b>
        {{ t('relief.theValveCannotOpenFullyAnd') }}</JudgementLine
      >
      <JudgementLine v-if="governed && open === governed.other" verdict="unknown"
        ><b>{{ t('relief.staysShutBehindTheOther', { names: NAMES[governed.other].replace(/^t/, 'T') }) }}</b>
        {{ t('relief.raisingItChangesNothingRaise', { names: NAMES[governed.by] }) }}</JudgementLine
      >
      <JudgementLine
        v-if="idle && idle.predicted !== 'pass' && idle.verdict !== 'void' && shutAtIdle"
        verdict="watch"
        data-testid="cannot-cure"
        ><b>{{ t('relief.idleHotIsAtWanted', { pressure: p(idle.pressure), least: p(idle.target.least) }) }}</b>
        {{ t('relief.aShimOrAStifferSpring') }}
        <template v-if="cures && cures.length > 0">{{
          t('relief.whatWould', {
            cures: cures
              .map((cure) => `${named(cure.label).replace(/^./, (letter) => letter.toLowerCase())}, ${p(cure.gain)}`)
              .join('; '),
          })
        }}</template></JudgementLine
      >
    </section>
    <CautionNote name="spring">{{ t('relief.theSpringIsUnderLoadBehind') }}</CautionNote>
  </div>
</template>

<style scoped>
.tabs {
  margin-bottom: 8px;
  align-items: center;
}
.governs {
  flex: 1;
  min-width: 240px;
  line-height: 1.3;
}
</style>
