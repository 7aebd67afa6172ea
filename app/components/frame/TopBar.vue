<script setup lang="ts">
import { t } from '~/words/of/frame'
import { UNIT_CHOICES } from '#core/quantity/unitChoices'

const build = useBuild()
const units = useUnits()
const person = usePerson()
const access = useAccess()
/** On the shop's own machine a person of the list; what is no name of it is nobody. */
const NOBODY = 'nobody'
const hands = computed(() => [
  { value: NOBODY, words: t('topBar.whoRecords') },
  ...access.people.map(({ name }) => ({ value: name, words: name })),
])
defineEmits<{ find: []; keys: []; words: [] }>()
</script>

<template>
  <header class="top bar">
    <NuxtLink to="/" class="mark" :aria-label="t('topBar.uldoToTheFloor')">
      <img src="/mark.svg" alt="" width="22" height="22" />
      <span>{{ t('topBar.uldo') }}</span>
    </NuxtLink>
    <div v-if="build.sheet && build.id" class="engine">
      <strong>{{ build.sheet.name }}</strong>{{ ' ' }}<span class="quiet">{{ build.sheet.engine }}</span
      >{{ ' ' }}<OthersHere />
    </div>
    <TopPlaces v-else />
    <span class="gap" />
    <Button type="button" variant="outlined" class="find" @click="$emit('find')">
      <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
        <circle cx="8.5" cy="8.5" r="5.5" fill="none" stroke="currentColor" stroke-width="2" />
        <path d="M 12.8 12.8 L 17.5 17.5" stroke="currentColor" stroke-width="2" stroke-linecap="round" /></svg
      ><span>{{ t('topBar.findAReadingOrEngine') }}</span
      ><kbd>Ctrl K</kbd>
    </Button>
    <ChoiceField
      class="units"
      :label="t('topBar.units')"
      quiet
      :value="units.choiceName"
      :options="Object.keys(UNIT_CHOICES).map((name) => ({ value: name, words: name }))"
      @choose="units.choiceName = $event"
    />
    <NuxtLink
      v-if="access.needed"
      class="who"
      to="/house?view=people"
      :aria-label="t('topBar.signedIn', { who: person.who })"
      >{{ person.who }}</NuxtLink
    >
    <ChoiceField
      v-else
      class="who"
      :label="t('topBar.whoIsRecording')"
      quiet
      :value="person.who || NOBODY"
      :options="hands"
      @choose="person.who = $event === NOBODY ? '' : $event"
    />
    <Button
      type="button"
      variant="text"
      class="plain-button"
      :aria-label="person.scheme === 'dark' ? t('topBar.lightScheme') : t('topBar.darkScheme')"
      @click="person.flipScheme()"
      >{{ person.scheme === 'dark' ? '☀' : '☾' }}</Button
    >
    <PageMenu :hands="hands" @keys="$emit('keys')" @words="$emit('words')" />
    <SavingWord class="saving" />
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 0 16px 0 18px;
  min-width: 0;
}
.mark {
  display: flex;
  align-items: center;
  gap: 10px;
  font-weight: 700;
  font-size: 18px;
  color: var(--ink);
  text-decoration: none;
  width: 174px;
  min-height: 44px;
  flex: none;
}
.engine {
  min-width: 60px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.engine .quiet {
  margin-left: 6px;
}
a.who {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
}
.gap {
  flex: 1;
}
.find {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  min-width: 44px;
  flex: 0 1 250px;
  font-weight: 400;
  padding: 0 5px 0 11px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--quiet);
  cursor: pointer;
}
.find svg {
  display: none;
}
.find span {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
kbd {
  font: inherit;
  font-size: 15px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 1px 5px;
  white-space: nowrap;
}
a.who {
  padding: 0 6px;
  color: var(--ink);
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.plain-button {
  border: 0;
  background: transparent;
  width: 44px;
  height: 44px;
  flex: none;
  cursor: pointer;
  font-size: 18px;
}
.saving {
  white-space: nowrap;
}
@media (max-width: 1099px) {
  .mark {
    width: auto;
  }
  .find {
    flex-basis: 120px;
  }
  .find kbd {
    display: none;
  }
}
@media (max-width: 960px) {
  .bar {
    gap: 4px;
    padding: 0 10px;
  }
  .gap {
    flex: 0 1 auto;
  }
  .mark span {
    display: none;
  }
  .mark {
    min-width: 44px;
    justify-content: center;
  }
  .find {
    flex: 0 0 44px;
    padding: 0;
    border: 0;
    justify-content: center;
    background: transparent;
    color: var(--ink);
  }
  .find svg {
    display: block;
  }
  .find span {
    position: absolute;
    width: 1px;
    height: 1px;
    clip-path: inset(50%);
  }
}
@media (max-width: 760px) {
  .engine .quiet,
  .units,
  .plain-button,
  .who {
    display: none;
  }
  .engine {
    flex: 1;
  }
  /* As wide as a finger, into the bar’s own edge. */
  .mark {
    min-width: 44px;
    margin: 0 -8px 0 -10px;
    justify-content: center;
  }
  .saving {
    flex: none;
    max-width: 40vw;
    white-space: normal;
    line-height: 1.1;
    text-align: right;
  }
}
@media print {
  .bar {
    display: none;
  }
}
</style>
