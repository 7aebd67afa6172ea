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
  <div v-if="build.sheet?.oils?.firstFill" class="row">
    <span class="what"
      >{{ t('oilInEngine.inTheEngineNow')
      }}<span class="origin">{{ t('oilInEngine.runsAndReadingsAreJudgedBy') }}</span></span
    ><SegmentChoice
      :label="t('oilInEngine.inTheEngineNow')"
      :value="fillOf(build.sheet)"
      :options="[
        { value: 'firstFill', words: t('oilInEngine.firstFill') },
        { value: 'running', words: t('oilInEngine.runningOil') },
      ]"
      @choose="nowIn($event)"
    />
  </div>
</template>

<style scoped>
.origin {
  white-space: normal;
}
</style>
