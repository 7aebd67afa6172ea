<script setup lang="ts">
import { t } from '~/words/of/house'
import { UNIT_CHOICES } from '#core/quantity/unitChoices'

usePageTitle(() => t('house.houseRules'))
const shop = useShop()
void shop.load(true)
const VIEWS = [
  { view: 'limits', words: t('house.limitsAndTargetRules') },
  { view: 'instruments', words: t('house.instruments') },
  { view: 'people', words: t('house.people') },
  { view: 'devices', words: t('house.devices') },
  { view: 'cautions', words: t('house.cautions') },
] as const
const { view, go } = useView(VIEWS)
const UNITS = Object.keys(UNIT_CHOICES).map((name) => ({ value: name, words: name }))
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>{{ t('house.houseRules') }}</h1>
      <p>{{ t('house.whatThisShopGoesByWhere') }}</p>
      <div class="tally">
        <span>{{ t('house.unitsOfTheShop') }}</span><ChoiceField
          :label="t('house.unitsOfTheShop')"
          :value="shop.house.units"
          :options="UNITS"
          @choose="shop.save((next) => (next.units = $event))"
        />
      </div>
    </header>
    <ViewTabs :label="t('house.houseRules')" :views="VIEWS" :view="view" @go="go($event)">
      <p v-if="shop.problem" class="wrong" role="alert">{{ shop.problem }}</p>
      <RuleList v-if="view === 'limits'" />
      <InstrumentList v-else-if="view === 'instruments'" />
      <PeopleList v-else-if="view === 'people'" />
      <LazyDeviceTrust v-else-if="view === 'devices'" />
      <CautionList v-else />
    </ViewTabs>
  </PlaceFrame>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
