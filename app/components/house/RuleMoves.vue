<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/house'
import { PAGES } from '~/composables/stations'
import type { Moved } from '~/sync/routes'

/** Builds whose verdicts other rules would move, each with what and how. */
defineProps<{ moved: readonly Moved[] }>()
const title = (what: string) =>
  PAGES.find(({ page }) => page === what)?.title ?? what.replace(/^./, (letter) => letter.toUpperCase())
</script>

<template>
  <ul data-testid="moves">
    <li v-for="build in moved" :key="build.id">
      <b>{{ build.name }}</b>{{ ' ' }}<span class="quiet">{{ build.engine }}</span>
      <span v-for="move in build.moves" :key="move.what" class="move"
        >{{ title(move.what) }}: <VerdictLabel :verdict="move.from" /> {{ t('ruleMoves.to') }}
        <VerdictLabel :verdict="move.to" />{{ ' '
        }}<span v-if="move.about" class="quiet">{{ named(move.about) }}</span></span
      >
    </li>
  </ul>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 6px 0 10px;
  padding: 0;
}
li {
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.move {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  padding-top: 4px;
}
</style>
