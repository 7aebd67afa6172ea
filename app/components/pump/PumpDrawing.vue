<script setup lang="ts">
import { t } from '~/words/of/pump'
import type { ReadingKey } from '#core/parts/list'
import { recordedOrDefault } from '#core/engine/values'

/** The pump's rotors in their pocket and from the side: sizes to scale, gaps drawn twenty times as wide. */
const build = useBuild()
const units = useUnits()
const GAPS = 20
const value = (key: ReadingKey) => recordedOrDefault(build.sheet!, key)
const size = computed(() => {
  const kind = build.sheet!.layout.pumpKind
  const outside = value('pump.rotorDiameter')!.value
  const centres = value('pump.centres')?.value ?? 0.85 * outside
  const length = value('pump.rotorLength')!.value
  const tip = value('pump.tipClearance')!
  const end = value('pump.endClearance')!
  const side = kind === 'gerotor' ? value('pump.sideClearance') : undefined
  // Rotors and their wide gaps stay beside their words and inside the drawing.
  const across = outside + 2 * GAPS * tip.value
  const scale = Math.min(
    120 / outside,
    150 / length,
    205 / (across + (kind === 'gear' ? centres : 0)),
    152 / across,
    158 / (length + GAPS * end.value),
  )
  return {
    kind,
    outside,
    centres,
    length,
    tip,
    end,
    side,
    scale,
    r: 0.5 * outside * scale,
    c: centres * scale,
    gap: tip.value * GAPS * scale,
    endGap: end.value * GAPS * scale,
    l: length * scale,
  }
})
/** A wheel of teeth between root and tip. */
function wheel(cx: number, cy: number, tip: number, root: number, teeth: number, turn: number): string {
  const points: string[] = []
  for (let i = 0; i < teeth; i++) {
    for (const [part, radius] of [
      [0, root],
      [0.27, root],
      [0.41, tip],
      [0.59, tip],
      [0.73, root],
    ] as const) {
      const angle = ((i + part) / teeth) * 2 * Math.PI + turn
      points.push(`${(cx + radius * Math.cos(angle)).toFixed(1)},${(cy + radius * Math.sin(angle)).toFixed(1)}`)
    }
  }
  return points.join(' ')
}
/** A lobed ring for a gerotor. */
function lobes(cx: number, cy: number, mean: number, wave: number, count: number): string {
  return Array.from({ length: 120 }, (_, i) => {
    const angle = (i / 120) * 2 * Math.PI
    const radius = mean + wave * Math.cos(count * angle)
    return `${(cx + radius * Math.cos(angle)).toFixed(1)},${(cy + radius * Math.sin(angle)).toFixed(1)}`
  }).join(' ')
}
const drawn = computed(() => {
  const { kind, r, c, gap } = size.value
  const cx = 40 + r + gap
  const cy = 84
  if (kind === 'gear') {
    const root = Math.max(0.35 * r, c - r - 2)
    return {
      pocket: [
        [cx, cy],
        [cx + c, cy],
      ],
      wheels: [wheel(cx, cy, r, root, 9, -Math.PI / 9), wheel(cx + c, cy, r, root, 9, Math.PI)],
      right: cx + c + r + gap,
      cx,
      cy,
    }
  }
  const inner = 0.62 * r
  return {
    pocket: [[cx, cy]],
    wheels: [lobes(cx, cy, 0.74 * r, 0.1 * r, 5), lobes(cx - 0.1 * r, cy, inner, 0.11 * r, 4)],
    right: cx + r + gap,
    cx,
    cy,
  }
})
</script>

<template>
  <div class="drawing-scroll">
    <svg
      class="drawing"
      viewBox="0 0 730 205"
      role="group"
      :data-scale="size.scale"
      :aria-label="
        t('pumpDrawing.pumpTipClearanceEndClearance', {
          tip: units.say(size.tip.value, 'clearance'),
          end: units.say(size.end.value, 'clearance'),
        })
      "
    >
      <circle
        v-for="([x, y], i) in drawn.pocket"
        :key="i"
        class="oil-wash"
        :cx="x"
        :cy="y"
        :r="size.r + size.gap"
        stroke="currentColor"
        stroke-width="1.4"
      />
      <polygon v-for="(points, i) in drawn.wheels" :key="`w${i}`" class="metal" :points="points" />
      <g :transform="`translate(${drawn.right + 14}, 0)`">
        <path class="thin" :d="`M -14 ${drawn.cy} h 26`" />
        <text x="18" :y="drawn.cy - 4" class="quiet-text">{{ t('pumpDrawing.tipClearance') }}</text>
        <DrawnValue
          name="pump.tipClearance"
          :words="units.say(size.tip.value, 'clearance')"
          :x="18"
          :y="drawn.cy + 15"
          :assumed="size.tip.source === 'layout'"
        />
      </g>
      <g transform="translate(486, 20)">
        <rect class="metal" x="0" y="0" width="120" height="12" />
        <rect class="oil-wash" x="10" y="12" width="100" :height="size.endGap" />
        <rect class="metal" x="10" :y="12 + size.endGap" width="100" :height="size.l" />
        <path class="line" :d="`M 0 12 V ${20 + size.endGap + size.l} H 120 V 12`" />
        <path class="thin" :d="`M 112 ${12 + size.endGap / 2} H 140`" />
        <text x="146" :y="10 + size.endGap / 2" class="quiet-text">{{ t('pumpDrawing.endClearance') }}</text>
        <DrawnValue
          name="pump.endClearance"
          :words="units.say(size.end.value, 'clearance')"
          :x="146"
          :y="29 + size.endGap / 2"
          :assumed="size.end.source === 'layout'"
        />
        <path
          class="thin"
          :d="`M -14 ${12 + size.endGap} v ${size.l} M -19 ${12 + size.endGap} h 10 M -19 ${12 + size.endGap + size.l} h 10`"
        />
        <DrawnValue
          name="pump.rotorLength"
          :words="units.say(size.length, 'length')"
          :x="-22"
          :y="18 + size.endGap + size.l / 2"
          anchor="end"
        />
      </g>
      <path
        class="thin"
        :d="`M ${drawn.cx - size.r} ${drawn.cy + size.r + size.gap + 8} h ${2 * size.r}`"
        data-part="diameter"
      />
      <DrawnValue
        name="pump.rotorDiameter"
        :words="units.say(size.outside, 'length')"
        :x="drawn.cx"
        :y="drawn.cy + size.r + size.gap + 24"
        anchor="middle"
      />
      <template v-if="size.side">
        <text :x="drawn.right + 32" :y="drawn.cy + 48" class="quiet-text">{{ t('pumpDrawing.outerRotorToBody') }}</text>
        <DrawnValue
          name="pump.sideClearance"
          :words="units.say(size.side.value, 'clearance')"
          :x="drawn.right + 32"
          :y="drawn.cy + 67"
          :assumed="size.side.source === 'layout'"
        />
      </template>
      <text x="724" y="198" text-anchor="end" class="quiet-text">
        {{ t('pumpDrawing.gapsDrawnTimesAsWide', { gaps: GAPS }) }}
      </text>
    </svg>
  </div>
</template>
