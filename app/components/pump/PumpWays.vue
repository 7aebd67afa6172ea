<script setup lang="ts">
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
  'as-it-is': 'As it is',
  cover: 'Cover cut flat',
  lapped: 'Cover flat, floor lapped',
  machined: 'Cover flat, floor and face machined',
  new: 'New pump',
}
const rate = computed(() => ruleOf(build.sheet!, 'cost.hour'))
/** What is left of cover and floor; a dot for one that was not measured. */
function metal({ coverLeft, floorLeft }: NonNullable<PumpWay['cut']>): string {
  const left = [coverLeft, floorLeft]
  if (left.every((each) => !Number.isFinite(each))) return 'not measured'
  return left.map((each) => (Number.isFinite(each) ? units.show(each, 'length') : '·')).join(', ')
}
</script>

<template>
  <section class="block" data-testid="pump-ways">
    <div class="block-head">
      <h2>Ways to a sound pump</h2>
      <span class="note">{{
        fresh ? `new: ${fresh.label}, from the shelf` : 'no new one of its size on the shelf'
      }}</span>
    </div>
    <ReadOtherwise />
    <p v-if="!ways" class="quiet">Write the track in the cover to see what each way leaves, reads and costs.</p>
    <div v-else class="drawing-scroll">
      <table>
        <thead>
          <tr>
            <th scope="col">Way</th>
            <th scope="col">end clearance, {{ units.unit('clearance').symbol }}</th>
            <th scope="col">cover, floor left, {{ units.unit('length').symbol }}</th>
            <th scope="col">idle hot, {{ units.unit('pressure').symbol }}</th>
            <th scope="col">costs</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in ways" :key="each.way" :data-way="each.way">
            <th scope="row">
              {{ WAYS[each.way]
              }}<span v-for="words in each.cut?.problems ?? []" :key="words" class="against">{{ words }}</span>
            </th>
            <td class="mono">{{ each.cut ? units.show(each.cut.endClearance, 'clearance') : '·' }}</td>
            <td class="mono">
              <template v-if="each.cut">{{ metal(each.cut) }}</template><template v-else>·</template>
            </td>
            <td class="mono">
              {{ units.show(each.idleHot.pressure, 'pressure', units.fine)
              }}<span class="quiet band"
                >{{ units.show(each.idleHot.low, 'pressure', units.fine) }} to
                {{ units.show(each.idleHot.high, 'pressure', units.fine) }}</span
              >
            </td>
            <td class="mono">{{ each.cost === undefined ? '·' : Math.round(each.cost) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="columns">
      <section>
        <ReadingRow name="pump.coverHours" /><ReadingRow name="pump.lapHours" /><ReadingRow name="pump.machineHours" />
      </section>
      <p class="quiet">
        Hours at the house’s {{ rate }} an hour, in your own money; a new pump at its shelf’s price. One school fits a
        new pump at every rebuild, the other cuts while metal lasts: the numbers are the same for both.
      </p>
    </div>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 7px 0 7px 12px;
  border-top: 1px solid var(--rule);
  font-weight: 400;
  vertical-align: baseline;
}
thead th {
  color: var(--quiet);
  border: 0;
}
th:first-child {
  text-align: left;
  padding-left: 0;
}
.against {
  display: block;
  color: var(--stop);
  max-width: 44ch;
}
.band {
  display: block;
  font-size: 12.5px;
  white-space: nowrap;
}
</style>
