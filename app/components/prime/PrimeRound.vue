<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { checksOf } from '#core/engine/catalogue'

/** Round the engine with the pressure on: oil at every outlet, the crank by degrees, every plug dry. */
const build = useBuild()
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.station === 'prime'))
const of = (group: string) => checks.value.filter((check) => check.group === group)
const turned = computed(() => of('crank').filter((turn) => build.sheet!.checks[turn.key]?.state === 'done').length)
const walked = computed(() => of('walk').filter(({ key }) => build.sheet!.checks[key]).length)
</script>

<template>
  <div>
    <section>
      <h2>{{ t('primeRound.oilSeenAt') }}</h2>
      <p class="quiet">{{ t('primeRound.touchItWhenOilRunsAgain') }}</p>
      <PrimeOutlets />
    </section>
    <div class="columns block">
      <section>
        <h2>{{ t('primeRound.crankTurnedOf', { turned, count: of('crank').length }) }}</h2>
        <p class="quiet">{{ t('primeRound.aLittleAtATimeWhile') }}</p>
        <div class="turns">
          <ToggleButton
            v-for="turn in of('crank')"
            :key="turn.key"
            :model-value="build.sheet!.checks[turn.key]?.state === 'done'"
            class="turn"
            :on-label="named(turn.label)"
            :off-label="named(turn.label)"
            @update:model-value="build.check(turn.key, $event ? 'done' : undefined, turn.label)"
          />
        </div>
      </section>
      <section>
        <h2>{{ t('primeRound.leaksOfLookedAt', { walked, count: of('walk').length }) }}</h2>
        <p class="quiet">{{ t('primeRound.aStraightThreadRestrictorMay') }}</p>
        <CheckRow v-for="item in of('walk')" :key="item.key" :item="item" />
      </section>
    </div>
  </div>
</template>

<style scoped>
.turns {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 6px;
  margin-top: 8px;
}
.turn {
  min-height: 48px;
  border: 1px solid var(--field);
  border-radius: 3px;
  background: none;
  cursor: pointer;
  font-family: var(--mono);
}
.turn[aria-pressed='true'] {
  background: var(--pass);
  border-color: var(--pass);
  color: var(--sheet);
  font-weight: 650;
}
</style>
