<script setup lang="ts">
import { t } from '~/words/of/start'
import { ruleOf } from '#core/house/limits'
import { HARD_LIMIT } from '#core/start/verdict'

/** How long a start may go without pressure. */
const build = useBuild()
</script>

<template>
  <p class="deadline">
    {{ t('deadlineWords.noPressureWithin') }}
    <b>{{ t('deadlineWords.s', { ruleOf: ruleOf(build.sheet!, 'start.deadline') }) }}</b>
    {{ t('deadlineWords.ofFiring') }} <b>{{ t('deadlineWords.shutDown') }}</b>{{ t('deadlineWords.at') }}
    <b>{{ t('deadlineWords.s2', { hardLimit: HARD_LIMIT }) }}</b>
    {{ t('deadlineWords.nothingExcusesItFallingAt') }}
  </p>
</template>

<style scoped>
.deadline {
  padding: 14px 0;
}
</style>
