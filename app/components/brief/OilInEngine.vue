<script setup lang="ts">
import { fillOf } from '#core/record/fill'

/** Whether the first fill or the running oil is in the engine, where there is a first fill of its own. */
const build = useBuild()
function nowIn(value: 'firstFill' | 'running' | undefined) {
  if (value) void build.change([{ op: 'add', path: '/fill', value }], 'Oil in the engine')
}
</script>

<template>
  <div v-if="build.sheet?.oils?.firstFill" class="row">
    <span class="what">In the engine now<span class="origin">runs and readings are judged by it</span></span
    ><SegmentChoice
      label="In the engine now"
      :value="fillOf(build.sheet)"
      :options="[
        { value: 'firstFill', words: 'first fill' },
        { value: 'running', words: 'running oil' },
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
