<script setup lang="ts">
import { named } from '~/words/speak'
import type { Verdict } from '#core/quantity/verdict'

/** A verdict in its word, colour and outline: round ends, a cut corner, a bar, dashes. */
const { verdict, count, words } = defineProps<{
  verdict: Verdict
  count?: number
  /** Said in place of the verdict's own word, where it is no verdict of an engine. */
  words?: string
}>()
</script>

<template>
  <Tag unstyled class="verdict" :class="verdict" :value="words ?? `${named(verdict)}${count ? ` ${count}` : ''}`" />
</template>

<style scoped>
.verdict {
  display: inline-block;
  font-weight: 650;
  font-size: 15px;
  line-height: 1;
  padding: 5px 10px;
  border: 1px solid currentcolor;
  white-space: nowrap;
}
.pass {
  color: var(--pass);
  border-radius: 99px;
}
.watch {
  color: var(--watch);
  border: 0;
  padding: 6px 11px;
  background: linear-gradient(currentcolor 0 0);
  clip-path: polygon(0 0, calc(100% - 9px) 0, 100% 9px, 100% 100%, 0 100%);
  position: relative;
  isolation: isolate;
}
.watch::before {
  content: '';
  position: absolute;
  inset: 1px;
  background: var(--sheet);
  z-index: -1;
  clip-path: polygon(0 0, calc(100% - 9px) 0, 100% 9px, 100% 100%, 0 100%);
}
.stop {
  color: var(--stop);
  border-left-width: 6px;
}
.unknown,
.assumed {
  color: var(--unknown);
  border-style: dashed;
}
.void {
  color: var(--stop);
  border-style: double;
  border-width: 3px;
}
</style>
