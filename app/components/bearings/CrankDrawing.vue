<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/bearings'
import type { BearingSet } from '#core/parts/bearingReadings'
import { bearingsOf, clearanceLimits } from '#core/parts/clearances'
import { judgeClearance } from '#core/bearing/judge'
import { crankParts, crankWidth } from './crank'

/** The crank from the side, front at the left: every journal with its clearance and verdict; a journal is the way to its readings. */
const { chosen } = defineProps<{ chosen?: { set: BearingSet; number: number } }>()
const emit = defineEmits<{ enter: [part: { set: BearingSet; number: number }] }>()
const build = useBuild()
const units = useUnits()
const AXIS = 78
const THROW = 36
const width = computed(() => crankWidth(build.sheet!.layout))
const crank = computed(() => crankParts(build.sheet!.layout, width.value - 8))
const parts = computed(() => {
  const sheet = build.sheet!
  const records = { main: bearingsOf(sheet, 'main'), rod: bearingsOf(sheet, 'rod') }
  return crank.value.parts.map((part) => {
    const record = records[part.set][part.number - 1]
    const measured = record.clearance.source === 'measured' || record.chosen !== undefined
    const verdict = record.conflict
      ? 'stop'
      : measured
        ? judgeClearance(record.clearance, clearanceLimits(sheet, part.set, record.diameter)).verdict
        : 'unknown'
    const height = part.set === 'main' ? 36 : 30
    const y = AXIS - part.throw * THROW - height / 2
    const figure = measured ? units.show(record.clearance.value, 'clearance').replace(/^0\./, '.') : ''
    return {
      ...part,
      x: part.x + 4,
      y,
      height,
      verdict,
      figure,
      word: verdict === 'stop' || verdict === 'watch' ? verdict : '',
      name: `${part.set === 'main' ? 'M' : 'R'}${part.number}`,
      label: record.label,
    }
  })
})
/** Webs join each part to the next. */
const webs = computed(() =>
  parts.value.slice(1).flatMap((part, i) => {
    const before = parts.value[i]
    if (part.x - (before.x + before.width) < 1) return []
    const top = Math.min(before.y, part.y) - 4
    return [
      {
        x: before.x + before.width,
        y: top,
        height: Math.max(before.y + before.height, part.y + part.height) + 4 - top,
      },
    ]
  }),
)
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing"
      :viewBox="`0 0 ${width} 176`"
      :style="{ minWidth: `${width}px` }"
      role="group"
      :aria-label="t('crankDrawing.crankFromTheSideFrontAt')"
    >
      <rect
        v-for="(web, i) in webs"
        :key="i"
        class="metal"
        :x="web.x"
        :y="web.y"
        :width="crank.web"
        :height="web.height"
      />
      <g
        v-for="part in parts"
        :key="part.name"
        class="hit"
        tabindex="0"
        role="button"
        :class="[part.verdict, { chosen: chosen?.set === part.set && chosen.number === part.number }]"
        :data-part="`${part.set}.${part.number}`"
        @click="emit('enter', part)"
        @keydown.enter="emit('enter', part)"
      >
        <title>
          {{ named(part.label) }}: {{ part.figure || t('crankDrawing.notMeasured') }}, {{ named(part.verdict) }}
        </title>
        <rect class="journal" :x="part.x" :y="part.y" :width="part.width" :height="part.height" />
        <rect
          class="reach"
          :x="part.reach.x + 4"
          :y="Math.min(part.y, 120)"
          :width="part.reach.width"
          :height="part.set === 'main' ? 176 - part.y : 50"
        />
        <template v-if="part.set === 'rod'">
          <text
            :x="part.x + part.width / 2"
            :y="part.throw > 0 ? part.y - 9 : part.y + part.height + 18"
            text-anchor="middle"
            class="quiet-text"
          >
            {{ part.name }}
            <tspan v-if="part.word" class="word">{{ part.word }}</tspan>
          </text>
          <text :x="part.x + part.width / 2" :y="part.y + 20" text-anchor="middle" class="figure-text">
            {{ part.figure }}
          </text>
        </template>
        <template v-else>
          <text v-if="part.word" :x="part.x + part.width / 2" :y="AXIS + 5" text-anchor="middle" class="word">
            {{ part.word }}
          </text>
          <text :x="part.x + part.width / 2" :y="152" text-anchor="middle" class="quiet-text">{{ part.name }}</text>
          <text :x="part.x + part.width / 2" :y="169" text-anchor="middle" class="figure-text">
            {{ part.figure || '·' }}
          </text>
        </template>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.drawing .stop .word {
  fill: var(--stop);
  font-weight: 700;
}
.drawing .watch .word {
  fill: var(--watch);
  font-weight: 700;
}
.drawing {
}
.journal {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.reach {
  fill: transparent;
}
.unknown .journal {
  stroke-dasharray: 4 3;
}
.stop .journal {
  fill: var(--stop-wash);
  stroke: var(--stop);
  stroke-width: 2.6;
}
.drawing .stop .figure-text {
  fill: var(--stop);
  font-weight: 700;
}
.watch .journal {
  stroke: var(--watch);
  stroke-width: 2;
  stroke-dasharray: 9 2;
}
.drawing .watch .figure-text {
  fill: var(--watch);
}
.hit.chosen .journal {
  fill: var(--petrol-wash);
  stroke: var(--petrol);
  stroke-width: 3;
}
.hit:hover .journal {
  fill: var(--petrol-wash);
}
</style>
