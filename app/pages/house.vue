<script setup lang="ts">
import { UNIT_CHOICES } from '#core/quantity/unitChoices'

useHead({ title: 'House rules · Uldo' })
const shop = useShop()
void shop.load(true)
const VIEWS = [
  { view: 'limits', words: 'Limits and schools' },
  { view: 'instruments', words: 'Instruments' },
  { view: 'people', words: 'People' },
  { view: 'devices', words: 'Devices' },
  { view: 'cautions', words: 'Cautions' },
] as const
const { view, go } = useView(VIEWS)
const UNITS = Object.keys(UNIT_CHOICES).map((name) => ({ value: name, words: name }))
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>House rules</h1>
      <p>What this shop goes by where the maker says nothing, and why. The maker’s manual stands above it.</p>
      <div class="tally">
        <span>Units of the shop</span
        ><ChoiceField
          label="Units of the shop"
          :value="shop.house.units"
          :options="UNITS"
          @choose="shop.save((next) => (next.units = $event))"
        />
      </div>
    </header>
    <ViewTabs label="House rules" :views="VIEWS" :view="view" @go="go($event)" />
    <p v-if="shop.problem" class="wrong" role="alert">{{ shop.problem }}</p>
    <RuleList v-if="view === 'limits'" />
    <InstrumentList v-else-if="view === 'instruments'" />
    <PeopleList v-else-if="view === 'people'" />
    <LazyDeviceTrust v-else-if="view === 'devices'" />
    <CautionList v-else />
  </PlaceFrame>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
