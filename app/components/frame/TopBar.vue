<script setup lang="ts">
import { UNIT_CHOICES } from '#core/quantity/unitChoices'
import { useSync } from '~/sync/useSync'

const build = useBuild()
const sync = useSync()
const units = useUnits()
const person = usePerson()
const access = useAccess()
/** On the shop's own machine a person of the list; what is no name of it is nobody. */
const NOBODY = ''
const hands = computed(() => [
  { value: NOBODY, words: 'Who records?' },
  ...access.people.map(({ name }) => ({ value: name, words: name })),
])
defineEmits<{ find: [] }>()
const savingWord = computed(() => {
  const count = sync.waiting.length
  switch (build.saving) {
    case 'apart':
      return `${sync.apart.length} to settle`
    case 'unkept':
      return count > 0 ? `${count} not kept here` : 'sent, not kept here'
    case 'offline':
      return sync.why ? `not written, ${count} kept here` : count > 0 ? `offline, ${count} kept here` : 'offline'
    case 'saving':
      return `${count} waiting`
    default:
      return 'saved'
  }
})
</script>

<template>
  <header class="top bar">
    <NuxtLink to="/" class="mark" aria-label="Uldo, to the Floor">
      <img src="/mark.svg" alt="" width="22" height="22" />
      <span>Uldo</span>
    </NuxtLink>
    <div v-if="build.sheet && build.id" class="engine">
      <strong>{{ build.sheet.name }}</strong>{{ ' ' }}<span class="quiet">{{ build.sheet.engine }}</span>
    </div>
    <nav v-else class="places" aria-label="Places">
      <NuxtLink to="/" exact-active-class="here">Floor</NuxtLink
      ><NuxtLink to="/shelf" active-class="here">Shelf</NuxtLink
      ><NuxtLink to="/house" active-class="here">House rules</NuxtLink>
    </nav>
    <span class="gap" />
    <button type="button" class="find" @click="$emit('find')">
      <span>Find a reading or engine</span><kbd>Ctrl K</kbd>
    </button>
    <ChoiceField
      label="Units"
      quiet
      :value="units.choiceName"
      :options="Object.keys(UNIT_CHOICES).map((name) => ({ value: name, words: name }))"
      @choose="units.choiceName = $event"
    />
    <NuxtLink v-if="access.needed" class="who" to="/house?view=people" :aria-label="`${person.who}, signed in`">{{
      person.who
    }}</NuxtLink>
    <ChoiceField
      v-else
      class="who"
      label="Who is recording"
      quiet
      :value="person.who"
      :options="hands"
      @choose="person.who = $event"
    />
    <button
      type="button"
      class="plain-button"
      :aria-label="person.scheme === 'dark' ? 'Light scheme' : 'Dark scheme'"
      @click="person.flipScheme()"
    >
      {{ person.scheme === 'dark' ? '☀' : '☾' }}
    </button>
    <span class="saving" :class="build.saving" role="status" data-testid="saving">{{ savingWord }}</span>
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
.places {
  display: flex;
  gap: 4px;
}
.places a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 12px;
  color: var(--quiet);
  text-decoration: none;
  font-weight: 600;
  white-space: nowrap;
  border-bottom: 3px solid transparent;
  border-top: 3px solid transparent;
}
.places .here {
  color: var(--petrol);
  border-bottom-color: var(--petrol);
}
.gap {
  flex: 1;
}
.find {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  min-width: 0;
  flex: 0 1 250px;
  height: 34px;
  padding: 0 5px 0 11px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--quiet);
  cursor: pointer;
}
.find span {
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
kbd {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  padding: 1px 5px;
  white-space: nowrap;
}
a.who {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  padding: 0 6px;
  color: var(--ink);
  text-decoration: none;
  font-weight: 600;
  max-width: 150px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.plain-button {
  border: 0;
  background: transparent;
  width: 44px;
  height: 44px;
  cursor: pointer;
  font-size: 18px;
}
.saving {
  white-space: nowrap;
}
.saved {
  color: var(--pass);
}
.saving.offline,
.saving.apart,
.saving.unkept {
  color: var(--stop);
  font-weight: 650;
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
@media (max-width: 760px) {
  .find,
  .engine .quiet,
  .mark span,
  .who {
    display: none;
  }
  .bar {
    gap: 4px;
    padding: 0 10px;
  }
  .gap {
    display: none;
  }
  .engine {
    flex: 1;
  }
  .places {
    flex: 1 1 0;
    min-width: 0;
    overflow-x: auto;
  }
  .places a {
    padding: 0 7px;
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
