<script setup lang="ts">
import { named } from '~/words/speak'
import { quantityAt } from '#core/engine/values'
import { goToReading } from '~/composables/goToReading'

/** A dimension in a drawing: what it says, and the way to the reading behind it. */
const {
  name,
  words,
  x = 0,
  y = 0,
  anchor = 'start',
  assumed = false,
} = defineProps<{
  name: string
  words: string
  x?: number
  y?: number
  anchor?: 'start' | 'middle' | 'end'
  assumed?: boolean
}>()
const build = useBuild()
const router = useRouter()
const quantity = computed(() => quantityAt(build.sheet!, name))
const go = () => build.id && goToReading(router, build.id, quantity.value)
</script>

<template>
  <g
    class="value"
    role="link"
    tabindex="0"
    :aria-label="`${named(quantity?.label) ?? name}: ${words}`"
    @click="go"
    @keydown.enter.prevent="go"
    @keydown.space.prevent="go"
  >
    <text :x="x" :y="y" :text-anchor="anchor" class="figure-text" :class="{ assumed }" :data-dimension="name">{{
      words
    }}</text>
  </g>
</template>

<style scoped>
.value {
  cursor: pointer;
}
.value:hover text,
.value:focus-visible text {
  fill: var(--petrol);
  text-decoration: underline;
  text-underline-offset: 3px;
}
.value:focus {
  outline: none;
}
.assumed {
  font-style: italic;
}
</style>
