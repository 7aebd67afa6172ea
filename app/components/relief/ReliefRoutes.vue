<script setup lang="ts">
import { t } from '~/words/of/relief'
import { halfBand } from '#core/quantity/uncertain'
import type { ValveField, ValveName } from '#core/parts/reliefReadings'
import { recordedOrDefault } from '#core/engine/values'
import { routeKey } from '#core/relief/routes'
import type { ReliefSummary } from '#core/outlook/relief'

/** Ways to a wanted opening pressure side by side, and the shim stack from the drawer that makes one of them. */
const { valve, summary } = defineProps<{ valve: ValveName; summary?: ReliefSummary }>()
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const of = (field: ValveField) => recordedOrDefault(build.sheet!, `${valve}.${field}`)?.value
const wanted = computed(() => of('wanted'))
const springs = computed(() =>
  shelf
    .fitting('spring', build.sheet!.engine)
    .filter((item) => item.count > item.reserved || shelf.shareOf(build.id, item.id).reserved > 0),
)
const offered = computed(() =>
  springs.value.map((item) => ({
    id: item.id,
    label: item.label,
    springRate: shelf.figure(item, 'springRate')!,
    freeLength: shelf.figure(item, 'freeLength')!,
    solidLength: shelf.figure(item, 'solidLength'),
    wire: shelf.figure(item, 'wire'),
    coilDiameter: shelf.figure(item, 'coilDiameter'),
  })),
)
const { value: routes } = useAnswer(
  (model) => (build.sheet && wanted.value ? model.routes(build.sheet, valve, offered.value, wanted.value) : undefined),
  () => [build.sheet, valve, offered.value, wanted.value],
)
/** The stack under the spring that is fitted, or under the one whose route was chosen. */
const chosen = ref<string>()
const route = computed(() => routes.value?.find((each) => routeKey(each) === chosen.value) ?? routes.value?.[0])
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <ReadingRow
          v-for="field in ['wanted', 'plugTravel', 'plugOutward', 'plugProud']"
          :key="field"
          :name="`${valve}.${field}`"
        />
      </section>
      <section>
        <ReadingRow :name="`${valve}.plugBore`" /><ReadingRow :name="`${valve}.plugHole`" /><ReadingRow
          :name="`${valve}.coilDiameter`"
        /><ReadingRow :name="`${valve}.wire`" />
      </section>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="wanted === undefined" class="quiet hint">
      {{ t('reliefRoutes.writeTheOpeningPressureThatIs') }}
    </p>
    <template v-if="routes">
      <div class="block-head block">
        <h2>{{ t('reliefRoutes.routesTo', { wanted: units.say(wanted!, 'pressure', units.fine) }) }}</h2>
        <span class="note"
          >{{ t('reliefRoutes.fullFlowAllThePumpGives')
          }}<template v-if="summary">{{
            t('reliefRoutes.knownTo', {
              halfBand: units.say(halfBand({ sigma: summary.opensSigma }), 'pressure', units.fine),
            })
          }}</template></span
        >
      </div>
      <RouteTable :routes="routes" :route="route" @choose="chosen = $event" />
      <ShimStack
        v-if="route && (route.kind === 'shims' || route.kind === 'spring')"
        :valve="valve"
        :route="route"
        :springs="springs"
      />
    </template>
  </div>
</template>

<style scoped>
.hint {
  padding-top: 8px;
  align-items: center;
}
.wrong {
  color: var(--stop);
  padding-top: 8px;
}
</style>
