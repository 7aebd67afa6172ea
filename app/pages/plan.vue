<script setup lang="ts">
import { t } from '~/words/of/plan'

/** The plan of the shop: what each engine needs next, by whom and when, against what was promised. */
usePageTitle(() => t('plan.plan'))
const plan = usePlan()
const shop = useShop()
plan.follow()
const VIEWS = [
  { view: 'day', words: t('plan.today') },
  { view: 'engines', words: t('plan.engines') },
  { view: 'fortnight', words: t('plan.fortnight') },
  { view: 'hours', words: t('plan.people') },
] as const
const { view, go } = useView(VIEWS)
const elsewhere = computed(() => plan.zone !== Intl.DateTimeFormat().resolvedOptions().timeZone)
async function calendar() {
  const { planCalendar } = await import('~/composables/planCalendar')
  planCalendar(plan.planned!, plan.kept, plan.zone)
}
</script>

<template>
  <PlaceFrame>
    <header class="station-head">
      <h1>{{ t('plan.plan') }}</h1>
      <p>{{ t('plan.about') }}</p>
      <div class="tally">
        <Button type="button" variant="outlined" :disabled="!plan.planned" @click="calendar">{{
          t('plan.calendarFile')
        }}</Button>
      </div>
    </header>
    <p v-if="plan.old" role="status">{{ t('plan.serverAway') }}</p>
    <p v-if="plan.problem" class="wrong" role="alert">{{ t('plan.notPlanned', { why: plan.problem }) }}</p>
    <p v-if="shop.problem" class="wrong" role="alert">{{ shop.problem }}</p>
    <p v-if="elsewhere" class="quiet">{{ t('plan.otherClock', { zone: plan.zone }) }}</p>
    <PlanLate />
    <ViewTabs :label="t('plan.plan')" :views="VIEWS" :view="view" @go="go($event)">
      <PlanHours v-if="view === 'hours'" />
      <p v-else-if="!plan.planned" class="quiet" role="status">{{ plan.problem ? '' : t('plan.planning') }}</p>
      <p v-else-if="plan.planned.engines.length === 0">{{ t('plan.noEngines') }}</p>
      <PlanDay v-else-if="view === 'day'" @hours="go('hours')" />
      <PlanEngines v-else-if="view === 'engines'" />
      <LazyPlanChart v-else />
    </ViewTabs>
  </PlaceFrame>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
