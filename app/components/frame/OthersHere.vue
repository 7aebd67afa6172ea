<script setup lang="ts">
import { vTip } from '~/composables/tip'
import { t } from '~/words/of/frame'
import { PAGES } from '~/composables/stations'

/** Who else has this build open, and where. */
const build = useBuild()
const others = computed(() => {
  const seen = new Map<string, string>()
  for (const { who, page } of build.others) {
    const title = PAGES.find((each) => each.page === page)?.title
    const name = who || t('othersHere.somebody')
    seen.set(`${name} ${title}`, title ? t('othersHere.at', { name, title }) : name)
  }
  return [...seen.values()]
})
</script>

<template>
  <span v-if="others.length > 0" class="others quiet" role="status" data-testid="others" v-tip="others.join(', ')">{{
    t('othersHere.alsoHere', {
      others: others.slice(0, 2).join(', '),
      count: others.length > 2 ? t('othersHere.more', { count: others.length - 2 }) : '',
    })
  }}</span>
</template>
