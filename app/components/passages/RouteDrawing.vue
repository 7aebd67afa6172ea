<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/passages'
import type { Finding } from '#core/record/looked'
import type { PassageItem } from '#core/parts/passage'
import { GALLERY, HEIGHT, routePlaces } from './routePlaces'

/** The oil's way as it is drawn for this layout, with every passage as a tap on it. */
interface Walked {
  item: PassageItem
  number: number
  finding?: Finding
}
const { items, chosen } = defineProps<{ items: Walked[]; chosen: string }>()
const SUMP = HEIGHT - 28
const STAGES: Record<string, string> = {
  pump: t('routeDrawing.pump'),
  cooler: t('routeDrawing.cooler'),
  filter: t('routeDrawing.filter'),
}
const emit = defineEmits<{ look: [key: string] }>()
const build = useBuild()

const drawn = computed(() => routePlaces(build.sheet!.layout, items))
const open = (key: string, event: KeyboardEvent) =>
  (event.key === 'Enter' || event.key === ' ') && (event.preventDefault(), emit('look', key))
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing route"
      :viewBox="`0 0 ${drawn.width} ${HEIGHT}`"
      :style="{ minWidth: `${drawn.width}px` }"
      role="group"
      :aria-label="t('routeDrawing.theOilsWay')"
    >
      <path :d="`M 16 ${SUMP} H 132`" class="line" />
      <text x="16" :y="SUMP + 18" class="quiet-text">
        {{ build.sheet!.layout.drySump ? t('routeDrawing.tank') : t('routeDrawing.sump') }}
      </text>
      <path :d="`M ${drawn.stages[0].x} ${SUMP - 8} V ${GALLERY}`" class="pipe" />
      <path :d="`M ${drawn.stages[0].x} ${GALLERY} H ${drawn.end}`" class="pipe" />
      <g v-for="{ name, x } in drawn.stages" :key="name">
        <circle v-if="name === 'pump'" class="metal" :cx="x" :cy="GALLERY" r="17" />
        <rect v-else class="metal" :x="x - 22" :y="GALLERY - 17" width="44" height="34" />
        <text :x="x + (name === 'pump' ? 26 : 0)" :y="GALLERY + 36" text-anchor="middle" class="quiet-text">
          {{ STAGES[name] ?? name }}
        </text>
      </g>
      <g v-for="(x, i) in drawn.mains" :key="i">
        <path :d="`M ${x} ${GALLERY} V ${GALLERY + 50}`" class="pipe thin-pipe" />
        <circle class="metal" :cx="x" :cy="GALLERY + 58" r="12" />
        <text :x="x" :y="GALLERY + 63" text-anchor="middle">{{ i + 1 }}</text>
      </g>
      <text :x="drawn.mains[0] - 18" :y="GALLERY + 63" text-anchor="end" class="quiet-text">
        {{ t('routeDrawing.mains') }}
      </text>
      <g
        v-for="tap in drawn.taps"
        :key="tap.item.key"
        class="hit tap"
        :class="[tap.finding?.verdict ?? 'open', { here: tap.item.key === chosen }]"
        role="button"
        tabindex="0"
        :aria-label="`${tap.number} ${named(tap.item.label)}: ${named(tap.finding?.words) ?? t('routeDrawing.notLookedAtYet')}`"
        :data-tap="tap.item.key"
        @click="emit('look', tap.item.key)"
        @keydown="open(tap.item.key, $event)"
      >
        <circle :cx="tap.x" :cy="tap.y" r="22" fill="transparent" />
        <rect
          v-if="tap.finding?.verdict === 'stop'"
          :x="tap.x - 13"
          :y="tap.y - 13"
          width="26"
          height="26"
          class="mark"
        />
        <circle v-else :cx="tap.x" :cy="tap.y" r="14" class="mark" />
        <text :x="tap.x" :y="tap.y + 5" text-anchor="middle">{{ tap.number }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.pipe {
  stroke: var(--oil);
  stroke-width: 8;
  fill: none;
}
.thin-pipe {
  stroke-width: 5;
}
.tap .mark {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 3 2.5;
}
.tap.pass .mark {
  stroke-dasharray: none;
  stroke: var(--pass);
  stroke-width: 2;
}
.tap.stop .mark {
  stroke-dasharray: none;
  fill: var(--stop);
  stroke: var(--stop);
}
.tap.stop text {
  fill: var(--sheet);
}
.tap text {
  font-family: var(--mono);
}
.tap.here .mark {
  stroke: var(--petrol);
  stroke-width: 3.5;
  stroke-dasharray: none;
}
.tap:focus-visible {
  outline: none;
}
.tap:focus-visible .mark {
  stroke: var(--petrol);
  stroke-width: 4;
}
</style>
