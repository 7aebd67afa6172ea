<script setup lang="ts">
import { t } from '~/words/of/house'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { Instrument } from '#core/house/schema'
import { SIMULATED_GAUGE } from '#core/rig/gauge'
import { dateOf } from '~/words/dates'

/** The shop's instruments: step, repeatability and last zero feed every reading's uncertainty. */
const shop = useShop()
const change = (name: string, next: Partial<Instrument>) =>
  shop.save((house) =>
    house.instruments.filter((each) => each.name === name).forEach((each) => Object.assign(each, next)),
  )
const remove = (name: string) =>
  shop.save((house) => (house.instruments = house.instruments.filter((each) => each.name !== name)))
const New = Instrument.pick({ name: true }).refine(
  ({ name }) => !shop.house.instruments.some((each) => each.name === name),
  { path: ['name'], error: t('instrumentList.isThereAlready') },
)
const resolver = zodResolver(New)
async function add({ valid, values, reset }: { valid: boolean; values?: unknown; reset: () => void }) {
  if (!valid) return
  const { name } = New.parse(values)
  reset()
  await shop.save((house) => house.instruments.push({ name, resolution: 1e-5, repeatability: 1e-5 }))
}
/** A gauge for training: in the hand, its button types what it shows. */
const addSimulated = () =>
  shop.save((house) => house.instruments.push({ name: SIMULATED_GAUGE, resolution: 1e-6, repeatability: 1e-6 }))
const when = (at?: string) => (at ? dateOf(at) : 'never')
</script>

<template>
  <div>
    <ResultTable
      :rows="shop.house.instruments"
      :label="t('instrumentList.instruments')"
      :attributes="(each) => ({ 'data-instrument': each.name })"
    >
      <Column field="name" :header="t('instrumentList.instrument')" sortable /><Column
        field="resolution"
        :header="t('instrumentList.step')"
        class="words"
        sortable
        ><template #body="{ data }"
          ><QuantityField
            :value="data.resolution"
            dimension="clearance"
            :range="[1e-7, 1e-3]"
            :label="t('instrumentList.step2', { name: data.name })"
            @write="$event && change(data.name, { resolution: $event })" /></template></Column
      ><Column field="repeatability" :header="t('instrumentList.repeatsWithin')" class="words" sortable
        ><template #body="{ data }"
          ><QuantityField
            :value="data.repeatability"
            dimension="clearance"
            :range="[0, 1e-3]"
            :label="t('instrumentList.repeatability', { name: data.name })"
            @write="$event !== undefined && change(data.name, { repeatability: $event })" /></template></Column
      ><Column field="zeroedAt" :header="t('instrumentList.zeroChecked')" class="words" sortable
        ><template #body="{ data }">{{ when(data.zeroedAt) }}</template></Column
      ><Column
        ><template #header
          ><span class="hidden-but-read">{{ t('instrumentList.tools') }}</span></template
        ><template #body="{ data }"
          ><span class="tools"
            ><Button type="button" variant="text" @click="change(data.name, { zeroedAt: new Date().toISOString() })">{{
              t('instrumentList.zeroChecked2')
            }}</Button
            ><Button
              type="button"
              variant="text"
              :aria-label="t('instrumentList.remove', { name: data.name })"
              @click="remove(data.name)"
              >{{ t('instrumentList.remove2') }}</Button
            ></span
          ></template
        ></Column
      >
    </ResultTable>
    <Form class="adding" :resolver="resolver" :initial-values="{ name: '' }" @submit="add">
      <FormLine name="name" :label="t('instrumentList.newInstrument')" maxlength="80" /><Button
        type="submit"
        variant="outlined"
        >{{ t('instrumentList.addIt') }}</Button
      ><Button
        v-if="!shop.house.instruments.some((each) => each.name === SIMULATED_GAUGE)"
        type="button"
        variant="outlined"
        @click="addSimulated"
        >{{ t('instrumentList.addASimulatedGauge') }}</Button
      >
    </Form>
    <p class="quiet">
      {{ t('instrumentList.aReadingsUncertaintyIsHalfA') }}
    </p>
    <h2 class="next">{{ t('instrumentList.stripScales') }}</h2>
    <div v-for="strip in shop.house.strips" :key="strip.name" class="row">
      <span class="what"
        >{{ strip.name
        }}<span class="origin">{{ t('instrumentList.linesOnItsSleeve', { count: strip.lines.length }) }}</span></span
      >
    </div>
  </div>
</template>

<style scoped>
.tools {
  text-align: right;
  white-space: nowrap;
}
.adding {
  display: flex;
  gap: 12px;
  align-items: end;
  padding: 12px 0;
  flex-wrap: wrap;
}
.next {
  margin-top: 22px;
}
</style>
