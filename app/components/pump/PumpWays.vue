<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/pump'
import { ruleOf } from '#core/house/limits'
import type { PumpWay } from '#core/outlook/pumpWays'
import { pumpDisplacement } from '#core/parts/pumpReadings'
import { numberOf } from '#core/shelf/fields'
import { shelfPump } from '#core/shelf/figures'

/** Ways of cutting a worn pump beside the pump as it is and a new one: what each leaves, reads at hot idle, and costs. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
/** A new pump of the same size from the shelf, for comparison. */
const fresh = computed(() => {
  const now = pumpDisplacement(build.sheet!).value
  return shelf
    .fitting('pump', build.sheet!.engine)
    .filter((item) => Math.abs((numberOf(item.properties, 'displacement') ?? 0) / now - 1) < 0.08)[0]
})
/** Each way of cutting it beside the pump as it is and a new one. */
const { value: ways } = useAnswer(
  (_, slow) =>
    build.sheet && (build.sheet.readings['pump.coverWear'] || fresh.value)
      ? slow().pumpWays(
          build.sheet,
          fresh.value && {
            id: fresh.value.id,
            label: fresh.value.label,
            ...shelfPump(fresh.value),
            price: fresh.value.price,
          },
        )
      : undefined,
  () => [build.sheet, fresh.value],
)
const WAYS: Record<PumpWay['way'], string> = {
  'as-it-is': t('pumpWays.asItIs'),
  cover: t('pumpWays.coverCutFlat'),
  lapped: t('pumpWays.coverFlatFloorLapped'),
  machined: t('pumpWays.coverFlatFloorAndFaceMachined'),
  new: t('pumpWays.newPump'),
}
const rate = computed(() => ruleOf(build.sheet!, 'cost.hour'))
/** What is left of cover and floor; a dot for one that was not measured. */
function metal({ coverLeft, floorLeft }: NonNullable<PumpWay['cut']>): string {
  const left = [coverLeft, floorLeft]
  if (left.every((each) => !Number.isFinite(each))) return t('pumpWays.notMeasured')
  return left.map((each) => (Number.isFinite(each) ? units.show(each, 'length') : '·')).join(', ')
}
</script>

<template>
  <section class="block" data-testid="pump-ways">
    <div class="block-head">
      <h2>{{ t('pumpWays.waysToASoundPump') }}</h2>
      <span class="note">{{
        fresh ? t('pumpWays.newFromTheShelf', { fresh: named(fresh.label) }) : t('pumpWays.noNewOneOfItsSize')
      }}</span>
    </div>
    <ReadOtherwise />
    <p v-if="!ways" class="quiet">{{ t('pumpWays.writeTheTrackInTheCover') }}</p>
    <ResultTable
      v-else
      :rows="ways"
      :label="t('pumpWays.waysToASoundPump')"
      :attributes="(each) => ({ 'data-way': each.way })"
    >
      <Column :header="t('pumpWays.way')"
        ><template #body="{ data }"
          >{{ WAYS[data.way as PumpWay['way']]
          }}<span v-for="words in data.cut?.problems ?? []" :key="words" class="against">{{ words }}</span></template
        ></Column
      ><Column :header="t('pumpWays.endClearance', { unit: units.unit('clearance').symbol })" body-class="figures"
        ><template #body="{ data }">{{
          data.cut ? units.show(data.cut.endClearance, 'clearance') : '·'
        }}</template></Column
      ><Column :header="t('pumpWays.coverFloorLeft', { unit: units.unit('length').symbol })" body-class="figures"
        ><template #body="{ data }">{{ data.cut ? metal(data.cut) : '·' }}</template></Column
      ><Column :header="t('pumpWays.idleHot', { unit: units.unit('pressure').symbol })"
        ><template #body="{ data }"
          ><BandedFigure
            :value="data.idleHot.pressure"
            :low="data.idleHot.low"
            :high="data.idleHot.high"
            dimension="pressure"
            :fine="units.fine" /></template></Column
      ><Column :header="t('pumpWays.costs')" body-class="figures"
        ><template #body="{ data }">{{ data.cost === undefined ? '·' : Math.round(data.cost) }}</template></Column
      >
    </ResultTable>
    <div class="columns">
      <section>
        <ReadingRow name="pump.coverHours" /><ReadingRow name="pump.lapHours" /><ReadingRow name="pump.machineHours" />
      </section>
      <p class="quiet">
        {{ t('pumpWays.hoursAtTheHousesAnHour', { rate }) }}
      </p>
    </div>
  </section>
</template>

<style scoped>
.against {
  display: block;
  color: var(--stop);
  max-width: 44ch;
}
</style>
