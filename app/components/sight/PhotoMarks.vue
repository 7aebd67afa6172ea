<script setup lang="ts">
import { t } from '~/words/of/sight'
import type { Point } from '#core/sight/types'

/** A picture with places that a finger or the arrow keys set in it, each under a glass that shows it four times as large. */
const {
  picture,
  size,
  marks,
  edges = [],
} = defineProps<{
  /** Its address. */
  picture: string
  /** How large it is measured, pixels. */
  size: { width: number; height: number }
  marks: readonly { key: string; words: string; at: Point }[]
  /** What was found, drawn over it. */
  edges?: readonly { left: Point; right: Point }[]
}>()
const emit = defineEmits<{ move: [key: string, at: Point] }>()
const frame = useTemplateRef<HTMLElement>('frame')
const held = ref<string>()
const shown = computed(() => marks.find(({ key }) => key === held.value))
const percent = (at: Point) => ({
  left: `${(100 * at.x) / size.width}%`,
  top: `${(100 * at.y) / size.height}%`,
})
const bounded = ({ x, y }: Point): Point => ({
  x: Math.min(size.width - 1, Math.max(0, x)),
  y: Math.min(size.height - 1, Math.max(0, y)),
})
/** Where the mark was under the finger when it was taken up: it does not jump to it. */
let grip: Point = { x: 0, y: 0 }
function placeOf(event: PointerEvent): Point {
  const box = frame.value!.getBoundingClientRect()
  return {
    x: ((event.clientX - box.left) / box.width) * size.width,
    y: ((event.clientY - box.top) / box.height) * size.height,
  }
}
function take(key: string, event: PointerEvent) {
  const from = placeOf(event)
  const { at } = marks.find((each) => each.key === key)!
  grip = { x: at.x - from.x, y: at.y - from.y }
  held.value = key
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
}
function drag(key: string, event: PointerEvent) {
  if (held.value !== key || event.buttons === 0) return
  const to = placeOf(event)
  emit('move', key, bounded({ x: to.x + grip.x, y: to.y + grip.y }))
}
const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function nudge(key: string, event: KeyboardEvent) {
  const step = STEPS[event.key]
  if (!step) return
  event.preventDefault()
  held.value = key
  const by = event.shiftKey ? 20 : 1
  const { at } = marks.find((each) => each.key === key)!
  emit('move', key, bounded({ x: at.x + by * step[0], y: at.y + by * step[1] }))
}
const GLASS = 168
const LARGER = 4
/** The picture under the glass: its place in the middle. */
const glass = computed(() => {
  const at = shown.value?.at
  return (
    at && {
      backgroundImage: `url("${picture}")`,
      backgroundSize: `${LARGER * size.width}px ${LARGER * size.height}px`,
      backgroundPosition: `${GLASS / 2 - LARGER * at.x}px ${GLASS / 2 - LARGER * at.y}px`,
    }
  )
})
</script>

<template>
  <div class="marked">
    <div
      ref="frame"
      class="frame-of"
      :style="{ aspectRatio: `${size.width} / ${size.height}`, '--wide': size.width / size.height }"
    >
      <img :src="picture" :alt="t('marks.picture')" draggable="false" />
      <svg :viewBox="`0 0 ${size.width} ${size.height}`" aria-hidden="true">
        <line
          v-for="(each, i) in edges"
          :key="i"
          :x1="each.left.x"
          :y1="each.left.y"
          :x2="each.right.x"
          :y2="each.right.y"
        />
      </svg>
      <Button
        v-for="each in marks"
        :key="each.key"
        type="button"
        unstyled
        class="mark"
        :class="{ held: each.key === held }"
        :style="percent(each.at)"
        :aria-label="t('marks.moveByArrows', { words: each.words })"
        :data-mark="each.key"
        @pointerdown="take(each.key, $event)"
        @pointermove="drag(each.key, $event)"
        @focus="held = each.key"
        @keydown="nudge(each.key, $event)"
        ><span class="word">{{ each.words }}</span></Button
      >
    </div>
    <div v-if="shown" class="glass" :style="glass" role="img" :aria-label="t('marks.glass', { words: shown.words })" />
  </div>
</template>

<style scoped>
.marked {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: flex-start;
}
.frame-of {
  position: relative;
  flex: 1 1 420px;
  /* All of it is on the screen: a mark is dragged from one side to the other. */
  max-width: min(760px, calc(60vh * var(--wide)));
  touch-action: none;
  user-select: none;
}
.frame-of img,
.frame-of svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.frame-of line {
  stroke: #fff;
  stroke-width: 2;
  mix-blend-mode: difference;
}
.mark {
  position: absolute;
  width: 48px;
  height: 48px;
  margin: -24px 0 0 -24px;
  padding: 0;
  border: 0;
  background: transparent;
  cursor: move;
  touch-action: none;
}
/* A cross with its middle left free: what it stands on is seen. */
.mark::before {
  content: '';
  position: absolute;
  inset: 0;
  background:
    linear-gradient(#fff 0 0) 50% 0 / 2px 19px no-repeat,
    linear-gradient(#fff 0 0) 50% 100% / 2px 19px no-repeat,
    linear-gradient(#fff 0 0) 0 50% / 19px 2px no-repeat,
    linear-gradient(#fff 0 0) 100% 50% / 19px 2px no-repeat;
  filter: drop-shadow(0 0 1px #000) drop-shadow(0 0 1px #000);
}
.mark.held::before {
  transform: scale(1.25);
}
.word {
  position: absolute;
  left: 30px;
  top: -4px;
  white-space: nowrap;
  font-size: 15px;
  font-weight: 650;
  color: #fff;
  background: rgb(0 0 0 / 65%);
  padding: 1px 6px;
}
.glass {
  width: 168px;
  height: 168px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background-repeat: no-repeat;
  position: relative;
}
.glass::after {
  content: '';
  position: absolute;
  inset: 0;
  background:
    linear-gradient(#fff 0 0) 50% 0 / 1px 70px no-repeat,
    linear-gradient(#fff 0 0) 50% 100% / 1px 70px no-repeat,
    linear-gradient(#fff 0 0) 0 50% / 70px 1px no-repeat,
    linear-gradient(#fff 0 0) 100% 50% / 70px 1px no-repeat;
  mix-blend-mode: difference;
}
</style>
