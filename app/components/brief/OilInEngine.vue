<script setup lang="ts">
import { t } from '~/words/of/brief'
import { fillOf } from '#core/record/fill'

/** Whether the first fill or the running oil is in the engine, where there is a first fill of its own. */
const build = useBuild()
function nowIn(value: 'firstFill' | 'running' | undefined) {
  if (value) void build.change([{ op: 'add', path: '/fill', value }], t('oilInEngine.oilInTheEngine'))
}
</script>

<template>
  <SegmentRow
    v-if="build.sheet?.oils?.firstFill"
    :label="t('oilInEngine.inTheEngineNow')"
    :origin="t('oilInEngine.runsAndReadingsAreJudgedBy')"
    :value="fillOf(build.sheet)"
    :options="[
      { value: 'firstFill', words: t('oilInEngine.firstFill') },
      { value: 'running', words: t('oilInEngine.runningOil') },
    ]"
    @choose="nowIn($event)"
  />
</template>
