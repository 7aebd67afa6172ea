<script setup lang="ts">
import { t } from '~/words/of/trace'
import type { CheckKey } from '#core/trace/checks'
import type { Layout } from '#core/record/schema'
import { checkTitle } from '~/words/trace'

/** Where a check is made, on an engine seen from its side: as many mains as it has, its pump at the front and low, its filter and gauge port on the gallery. */
const { check, layout } = defineProps<{ check: CheckKey; layout: Layout }>()
const WIDE = 230
const BLOCK = { left: 40, right: 190, top: 46, bottom: 104 }
const GALLERY = 62
const CRANK = 90
const PLACES = {
  port: { x: 176, y: GALLERY, words: t('where.port') },
  dipstick: { x: 62, y: 40, words: t('where.dipstick') },
  sump: { x: 122, y: 122, words: t('where.sump') },
  drive: { x: 33, y: 86, words: t('where.drive') },
  pump: { x: 33, y: 106, words: t('where.pump') },
  relief: { x: 51, y: 108, words: t('where.relief') },
  pad: { x: 88, y: 76, words: t('where.pad') },
  starter: { x: 196, y: 96, words: t('where.starter') },
  turbo: { x: 207, y: 50, words: t('where.turbo') },
  head: { x: 116, y: 30, words: t('where.head') },
  pickup: { x: 92, y: 122, words: t('where.pickup') },
  gallery: { x: 46, y: GALLERY, words: t('where.gallery') },
  mains: { x: 116, y: CRANK, words: t('where.mains') },
  outside: { x: 150, y: 76, words: t('where.outside') },
} as const
const AT: Record<CheckKey, keyof typeof PLACES> = {
  lamp: 'port',
  sender: 'port',
  'mechanical-gauge': 'port',
  needle: 'port',
  'oil-at-gauge-port': 'port',
  'oil-level': 'dipstick',
  'oil-grade': 'dipstick',
  foam: 'dipstick',
  'fuel-smell': 'dipstick',
  attitude: 'sump',
  drive: 'drive',
  drill: 'drive',
  'air-at-pump': 'drive',
  'second-attempt': 'starter',
  'oil-at-pad': 'pad',
  filter: 'pad',
  metal: 'pad',
  bypass: 'pad',
  'oil-at-turbo': 'turbo',
  'oil-at-rockers': 'head',
  fountain: 'head',
  'oil-at-cover': 'pump',
  cover: 'pump',
  pump: 'pump',
  'pump-bench': 'pump',
  relief: 'relief',
  pickup: 'pickup',
  plugs: 'gallery',
  shells: 'mains',
  noise: 'mains',
  'leak-outside': 'outside',
}
const place = computed(() => PLACES[AT[check]])
const mains = computed(() => {
  const count = Math.max(2, layout.mains)
  return Array.from({ length: count }, (_, i) => BLOCK.left + 12 + (i * (BLOCK.right - BLOCK.left - 24)) / (count - 1))
})
</script>

<template>
  <figure class="where">
    <svg
      :viewBox="`0 0 ${WIDE} 134`"
      role="img"
      :aria-label="t('where.checkIsMade', { check: checkTitle(check), place: place.words })"
    >
      <g class="engine">
        <rect x="52" y="22" width="126" height="24" />
        <rect :x="BLOCK.left" :y="BLOCK.top" :width="BLOCK.right - BLOCK.left" :height="BLOCK.bottom - BLOCK.top" />
        <path d="M58 104 L58 114 L80 130 L178 130 L182 104" />
        <path d="M62 22 L62 12 M58 12 L66 12" />
        <rect x="26" y="78" width="14" height="36" />
        <rect x="190" y="88" width="14" height="16" />
        <rect v-if="layout.filter" x="78" y="70" width="20" height="26" rx="3" />
        <circle v-if="layout.turbo" cx="207" cy="50" r="9" />
        <circle v-for="x in mains" :key="x" :cx="x" :cy="CRANK" r="5" />
      </g>
      <path
        class="oil"
        :d="`M92 124 L92 116 L33 116 L33 106 M40 100 L88 100 L88 ${GALLERY} M46 ${GALLERY} L186 ${GALLERY}`"
      />
      <circle class="here" :cx="place.x" :cy="place.y" r="9" />
    </svg>
    <figcaption class="quiet">{{ place.words }}</figcaption>
  </figure>
</template>

<style scoped>
.where {
  margin: 0;
}
svg {
  width: 100%;
  max-width: 230px;
  display: block;
}
.engine {
  fill: none;
  stroke: var(--field);
  stroke-width: 1.3;
}
.oil {
  fill: none;
  stroke: var(--oil);
  stroke-width: 2;
}
.here {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 3.5;
}
</style>
