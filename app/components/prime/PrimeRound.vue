<script setup lang="ts">
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
      <h2>Oil seen at</h2>
      <p class="quiet">Touch it when oil runs; again where it does not.</p>
      <PrimeOutlets />
    </section>
    <div class="columns block">
      <section>
        <h2>Crank turned, {{ turned }} of {{ of('crank').length }}</h2>
        <p class="quiet">A little at a time while pressure is on, so that each journal’s hole sees oil.</p>
        <div class="turns">
          <button
            v-for="turn in of('crank')"
            :key="turn.key"
            type="button"
            class="turn"
            :aria-pressed="build.sheet!.checks[turn.key]?.state === 'done'"
            @click="build.check(turn.key, build.sheet!.checks[turn.key] ? undefined : 'done', turn.label)"
          >
            {{ turn.label }}
          </button>
        </div>
      </section>
      <section>
        <h2>Leaks, {{ walked }} of {{ of('walk').length }} looked at</h2>
        <p class="quiet">A straight-thread restrictor may weep: that is normal.</p>
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
