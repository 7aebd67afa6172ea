<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/frame'
import { PAGES, stationPath } from '~/composables/stations'

/** Why nothing may be said of the gauge, at every station, with the way to what must be mended. */
const build = useBuild()
const outlook = useOutlook()
const titleOf = (station: string) => PAGES.find(({ page }) => page === station)?.title ?? station
</script>

<template>
  <div v-if="outlook.now && outlook.now.voids.length > 0" class="void-note" role="alert" data-testid="void">
    <VerdictLabel verdict="void" />
    <p>
      <b>{{ t('voidNote.nothingIsPredictedUntilThisIs') }}</b>{{ ' '
      }}<template v-for="(each, i) in outlook.now.voids" :key="each.path"
        >{{ i > 0 ? ' ' : ''
        }}<NuxtLink v-if="each.station && build.id" :to="stationPath(build.id, each.station)">{{
          titleOf(each.station)
        }}</NuxtLink
        >{{ each.station ? ', ' : '' }}{{ named(each.about) }}: {{ each.message }}.</template
      >
    </p>
  </div>
</template>

<style scoped>
.void-note {
  border: 1px solid var(--stop);
  border-left-width: 6px;
  padding: 8px 14px;
  margin-bottom: 12px;
  display: flex;
  gap: 14px;
  align-items: center;
}
.void-note p {
  margin: 0;
  max-width: 80ch;
}
</style>
