<script setup lang="ts">
import type { ValveName } from '#core/parts/reliefReadings'
import { valveHasGrounds } from '#core/parts/relief'
import { limitOf } from '#core/house/makerLimits'
import { STATE_LABELS } from '#core/outlook/states'
import type { StateName } from '#core/targets/targets'

const VIEWS = [
  { view: 'valve', words: 'Spring and plunger' },
  { view: 'routes', words: 'Routes and shims' },
  { view: 'fit', words: 'Seat, thread, seals' },
  { view: 'bench', words: 'Bench test' },
  { view: 'label', words: 'Plug label' },
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
const NAMES: Record<ValveName, string> = { relief: 'the valve at the pump', relief2: 'the valve at the gallery’s end' }
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
    <StationHead station="relief" title="Relief">{{
      shutAtIdle
        ? 'It sets the ceiling; it is shut at idle hot and does not move it.'
        : 'Plunger, spring, plug: what sets the ceiling of pressure.'
    }}</StationHead>
    <div v-if="two" class="actions tabs" role="group" aria-label="Which valve">
      <Button
        type="button"
        :variant="open === 'relief' ? undefined : 'outlined'"
        @click="go(view, { valve: undefined })"
        >At the pump</Button
      >
      <Button
        type="button"
        :variant="open === 'relief2' ? undefined : 'outlined'"
        @click="go(view, { valve: 'relief2' })"
        >At the gallery’s end</Button
      >
      <span v-if="governed" class="governs" data-testid="governs"
        ><b>{{ NAMES[governed.by].replace(/^t/, 'T') }} governs</b>, {{ STATE_LABELS[governed.state].toLowerCase() }}:
        half a millimetre more shim there gives {{ p(governed.own) }}, at the other
        {{ p(Math.abs(governed.others)) }}.</span
      >
    </div>
    <p v-if="unsaid.length > 0" class="quiet" data-testid="governs-unknown">
      Which of the two governs cannot be told yet: {{ unsaid.map((name) => NAMES[name]).join(' and ') }}
      {{ unsaid.length > 1 ? 'stand' : 'stands' }} on layout values. Measure its spring, lengths and plunger.
    </p>
    <ReliefDrawing :valve="open" :summary="summary" />
    <ViewTabs label="Relief" :views="VIEWS" :view="view" @go="go($event)" />
    <ReliefSpring v-if="view === 'valve'" :valve="open" :summary="summary" />
    <LazyReliefRoutes v-else-if="view === 'routes'" :valve="open" :summary="summary" />
    <LazyReliefFit v-else-if="view === 'fit'" :valve="open" />
    <LazyReliefBench v-else-if="view === 'bench'" :valve="open" :summary="summary" />
    <LazyReliefLabel v-else :valve="open" />
    <section aria-label="Judgement" class="block">
      <JudgementLine
        v-if="summary?.bindMargin !== undefined && summary.bindMargin < margin"
        :verdict="summary.bindMargin < 0 ? 'stop' : 'watch'"
        ><b
          >{{ units.say(summary.bindMargin, 'length') }} left before the coils touch,
          {{ limitOf(build.sheet!, 'relief.bindMargin').source === 'maker' ? 'maker’s limit' : 'house mark' }}
          {{ units.say(margin, 'length') }}.</b
        >
        The valve cannot open fully, and pressure runs away when cold. Take shims out, or fit a stiffer
        spring.</JudgementLine
      >
      <JudgementLine v-if="governed && open === governed.other" verdict="unknown"
        ><b>{{ NAMES[governed.other].replace(/^t/, 'T') }} stays shut behind the other.</b> Raising it changes nothing:
        raise {{ NAMES[governed.by] }}.</JudgementLine
      >
      <JudgementLine
        v-if="idle && idle.predicted !== 'pass' && idle.verdict !== 'void' && shutAtIdle"
        verdict="watch"
        data-testid="cannot-cure"
        ><b>Idle hot is at {{ p(idle.pressure) }}, wanted {{ p(idle.target.least) }}.</b> A shim or a stiffer spring
        here cannot raise it: the valve is shut there.
        <template v-if="cures && cures.length > 0"
          >What would:
          {{
            cures
              .map((cure) => `${cure.label.replace(/^./, (letter) => letter.toLowerCase())}, ${p(cure.gain)}`)
              .join('; ')
          }}.</template
        ></JudgementLine
      >
    </section>
    <CautionNote name="spring"
      >The spring is under load behind its plug. Face clear, eye protection on, hold the plug as the last thread lets
      go.</CautionNote
    >
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
