<script setup lang="ts">
import { named } from '~/words/speak'
import { quantityAt } from '#core/engine/values'

/** A reading with its name, its unit and where it came from. */
const { name, run = 'rows' } = defineProps<{ name: string; run?: string }>()
const build = useBuild()
const units = useUnits()
const quantity = computed(() => quantityAt(build.sheet!, name))
const origin = computed(() => originWords(build.sheet!, name))
</script>

<template>
  <div v-if="quantity" class="row">
    <span class="what"
      >{{ named(quantity.label) }}<span class="origin">{{ origin }}</span></span
    >
    <span
      ><ReadingInput :name="name" :run="run" /><span class="unit quiet">{{
        units.unit(quantity.dimension).symbol
      }}</span></span
    >
  </div>
</template>

<style scoped>
.unit {
  display: inline-block;
  width: 52px;
  padding-left: 6px;
  white-space: nowrap;
}
.origin:empty {
  display: none;
}
</style>
