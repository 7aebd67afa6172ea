<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/pump'
import { pumpDisplacement } from '#core/parts/pumpReadings'
import { STIFFER } from '#core/outlook/pumps'
import { STATE_LABELS } from '#core/outlook/states'
import { fitWarnings } from '#core/shelf/pumpFit'
import { fitWords, pumpTradeWords } from '~/words/pumpFit'
import type { ShelfItem } from '#core/shelf/schema'
import { shelfPump } from '#core/shelf/figures'
import { pumpPatch } from '~/composables/shelfPatch'
import { STATE_NAMES } from '#core/targets/targets'

/** Pumps from the shelf in this engine: what each buys at hot idle, costs at speed, and whether the suction keeps up. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const all = ref(false)
const items = computed(() =>
  all.value ? shelf.items.filter(({ kind }) => kind === 'pump') : shelf.fitting('pump', build.sheet!.engine),
)
const settled = useSettled(() => build.sheet)
const { value: compared } = useAnswer(
  (_, slow) =>
    settled.value && shelf.loaded
      ? slow().pumps(
          settled.value,
          items.value.map((item) => ({ id: item.id, label: item.label, ...shelfPump(item) })),
          {
            label: t('pumpCompare.asItIs'),
            displacement: pumpDisplacement(settled.value).value,
          },
        )
      : undefined,
  () => [settled.value, items.value],
)
const columns = computed(
  () =>
    compared.value?.map((each) => {
      const item = items.value.find(({ id }) => id === each.id)
      return {
        ...each,
        stiffer: each.id === STIFFER,
        item,
        warnings: (item ? fitWarnings(build.sheet!, item) : []).map((each) =>
          fitWords(each, (value) => units.say(value, 'length')),
        ),
        share: item ? shelf.shareOf(build.id, item.id) : undefined,
      }
    }) ?? [],
)
type Compared = (typeof columns.value)[number]
const fair = () => false
const best = ({ best: value, low, high }: { best: number; low: number; high: number }) => ({ value, low, high })
/** What the pumps are compared by, in the order in which it decides. */
const lines = computed(() => [
  ...STATE_NAMES.map((state) => ({
    key: state,
    words: named(STATE_LABELS[state]),
    dimension: 'pressure' as const,
    of: ({ states }: Compared) => ({ ...states[state], value: states[state].pressure }),
    bad: fair,
  })),
  {
    key: 'power',
    words: t('pumpCompare.driveWorkingHot', { unit: units.unit('power').symbol }),
    dimension: 'power' as const,
    of: ({ working }: Compared) => best(working.power),
    bad: fair,
  },
  ...(columns.value.some(({ item }) => item?.price !== undefined)
    ? [{ key: 'price', words: t('pumpCompare.priceFromTheShelf') }]
    : []),
  ...(
    [
      ['fastest', t('pumpCompare.suctionMaximumSpeedHot')],
      ['coldest', t('pumpCompare.suctionIdleCold')],
    ] as const
  ).map(([key, words]) => ({
    key,
    words,
    dimension: 'pressure' as const,
    of: (column: Compared) => best(column[key].suction),
    bad: (column: Compared) => column[key].starves,
  })),
])
/** How another pump differs from the one that is fitted, in one sentence. */
const sentence = (column: (typeof columns.value)[number]) =>
  pumpTradeWords(column, columns.value[0], column.stiffer, units)
async function fit(item: ShelfItem) {
  const words = (['drive', 'year'] as const).flatMap((key) =>
    item.properties[key]
      ? [{ op: 'add' as const, path: `/choices/pump.${key}`, value: String(item.properties[key]) }]
      : [],
  )
  await build.change(
    [
      ...pumpPatch(build.sheet!, item),
      ...words,
      { op: 'add', path: '/choices/pump.fitted', value: item.label.slice(0, 80) },
    ],
    t('pumpCompare.pump', { item: named(item.label) }),
    t('pumpCompare.takenFromTheShelf', { item: named(item.label) }),
    [{ item: item.id, move: 'take', count: 1 }],
  )
}
</script>

<template>
  <div>
    <div class="block-head">
      <h2>{{ t('pumpCompare.fromTheShelfInThisEngine') }}</h2>
      <TickBox :value="all" @tick="all = $event">{{ t('pumpCompare.pumpsOfOtherEnginesToo') }}</TickBox>
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="shelf.loaded && items.length === 0" class="quiet">
      {{ t('pumpCompare.noPumpForLiesOnThe', { engine: build.sheet!.engine }) }}
      <NuxtLink to="/shelf?kind=pump">{{ t('pumpCompare.putOneThere') }}</NuxtLink>
      {{ t('pumpCompare.withItsMeasuredGaps') }}
    </p>
    <ReadOtherwise />
    <ResultTable
      v-if="columns.length > 0"
      :rows="lines"
      :label="t('pumpCompare.pumpsCompared')"
      :attributes="(line) => ({ 'data-row': line.key })"
      scrollable
    >
      <Column
        :field="(row) => named(row.words)"
        :header="t('pumpCompare.atTheGauge', { unit: units.unit('pressure').symbol })"
        frozen
      /><Column v-for="column in columns" :key="column.id ?? 'now'"
        ><template #header
          ><span class="pump"
            ><b>{{ named(column.label) }}</b
            ><span class="under quiet">{{ units.say(column.displacement, 'displacement') }}</span></span
          ></template
        ><template #body="{ data }"
          ><template v-if="data.key === 'price'">{{ column.item?.price ?? '' }}</template
          ><BandedFigure
            v-else
            :class="{ bad: data.bad(column) }"
            :value="data.of(column).value"
            :low="data.of(column).low"
            :high="data.of(column).high"
            :dimension="data.dimension"
            :fine="data.dimension === 'pressure' ? units.fine : undefined" /></template
      ></Column>
    </ResultTable>
    <section :aria-label="t('pumpCompare.judgement')" class="block">
      <div v-for="column in columns.slice(1)" :key="column.id" class="candidate" :data-pump="column.label">
        <JudgementLine
          :verdict="
            column.fastest.starves || column.coldest.starves ? 'stop' : column.warnings.length > 0 ? 'watch' : 'pass'
          "
          ><b>{{ named(column.label) }}.</b> {{ sentence(column) }}
          <span v-if="column.warnings.length > 0"
            ><br />{{ t('pumpCompare.beforeItIsFitted', { warnings: column.warnings.join('; ') }) }}</span
          ></JudgementLine
        >
        <NuxtLink v-if="column.stiffer" class="p-button p-button-text" :to="`/build/${build.id}/relief?view=routes`">{{
          t('pumpCompare.routes')
        }}</NuxtLink>
        <span v-else-if="build.sheet!.choices['pump.fitted'] === column.label" class="quiet">{{
          t('pumpCompare.fitted')
        }}</span>
        <span v-else class="actions"
          ><Button
            v-if="column.share!.reserved === 0"
            type="button"
            variant="outlined"
            :disabled="column.item!.count - column.item!.reserved < 1"
            @click="shelf.move(build.id!, [{ item: column.item!.id, move: 'reserve', count: 1 }])"
            >{{ t('pumpCompare.setAside') }}</Button
          ><Button
            type="button"
            :disabled="column.item!.count - column.item!.reserved + column.share!.reserved < 1"
            @click="fit(column.item!)"
            >{{ t('pumpCompare.takeAndFit') }}</Button
          ></span
        >
      </div>
      <p class="quiet words">
        {{ t('pumpCompare.aBiggerPumpRaisesTheFloor') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.pump {
  text-align: right;
  color: var(--ink);
}
.pump .under {
  display: block;
}
.wrong,
.bad {
  color: var(--stop);
  font-weight: 700;
}
.candidate {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 12px;
  align-items: center;
}
.words {
  padding-top: 10px;
  max-width: 70ch;
}
</style>
