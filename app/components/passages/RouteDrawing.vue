<script setup lang="ts">
import type { Finding } from '#core/record/looked'
import type { PassageItem } from '#core/parts/passage'

/** The oil's way as it is drawn for this layout, with every passage as a tap on it. */
interface Walked {
  item: PassageItem
  number: number
  finding?: Finding
}
const { items, chosen } = defineProps<{ items: Walked[]; chosen: string }>()
const emit = defineEmits<{ look: [key: string] }>()
const build = useBuild()

const LEFT = 40
const RIGHT = 700
const GALLERY = 96
const drawn = computed(() => {
  const { layout } = build.sheet!
  const stages = [
    'pump',
    ...(layout.cooler || layout.coolerPlugged ? ['cooler'] : []),
    ...(layout.filter ? ['filter'] : []),
  ]
  const stageX = (i: number) => LEFT + 34 + i * 84
  const from = stageX(stages.length - 1) + 66
  const mainX = (main: number) => from + 26 + ((main - 1) / Math.max(1, layout.mains - 1)) * (RIGHT - from - 60)
  const gauge = Math.ceil(layout.mains / 2)
  const step = layout.mains > 1 ? mainX(2) - mainX(1) : 100
  const crowd = new Map<string, number>()
  const taps = items.map((each) => {
    const { item } = each
    const [spot, x, y, dx, dy] = placeOf(item)
    const n = crowd.get(spot) ?? 0
    crowd.set(spot, n + 1)
    return { ...each, x: x + dx * n, y: y + dy * n }
  })
  function placeOf(item: PassageItem): [spot: string, x: number, y: number, dx: number, dy: number] {
    const at = item.at ?? 1
    if (item.place === 'cooler') return ['cooler', stageX(1) - 28, GALLERY - 46, 28, 0]
    if (item.place === 'filter') return ['filter', stageX(stages.indexOf('filter')) - 28, GALLERY - 46, 28, 0]
    if (item.kind === 'plug' && item.place === 'gallery')
      return at === 1 ? ['front', from + 2, GALLERY, 0, 0] : ['rear', RIGHT, GALLERY, 0, 0]
    if (item.place === 'gallery') return ['jets', mainX(1) - 6, GALLERY - 30, 0, -28]
    if (item.place === 'rockers') return ['rockers', RIGHT - 4, GALLERY - 34, -28, 0]
    if (item.place === 'rod') return ['rod', mainX(1), GALLERY + 82, 26, 0]
    if (item.place === 'cam') return ['cam', mainX(layout.mains), GALLERY + 82, 0, 0]
    if (item.place === 'main') return ['main', mainX(at) + Math.min(34, 0.5 * step), GALLERY + 30, 0, 0]
    if (item.place === 'turbo') return ['turbo', mainX(gauge) + 30, GALLERY - 34, 28, 0]
    return ['gauge', mainX(gauge), GALLERY - 34, 0, -28]
  }
  return { stages, stageX, from, taps, mains: Array.from({ length: layout.mains }, (_, i) => mainX(i + 1)) }
})
const open = (key: string, event: KeyboardEvent) =>
  (event.key === 'Enter' || event.key === ' ') && (event.preventDefault(), emit('look', key))
</script>

<template>
  <div class="drawing-scroll">
    <svg class="drawing route" viewBox="0 0 730 196" role="group" aria-label="The oil’s way">
      <path :d="`M ${LEFT - 24} 168 H ${LEFT + 92}`" class="line" />
      <text :x="LEFT - 24" y="186" class="quiet-text">{{ build.sheet!.layout.drySump ? 'tank' : 'sump' }}</text>
      <path :d="`M ${drawn.stageX(0)} 160 V ${GALLERY}`" class="pipe" />
      <path :d="`M ${drawn.stageX(0)} ${GALLERY} H ${RIGHT}`" class="pipe" />
      <g v-for="(stage, i) in drawn.stages" :key="stage">
        <circle v-if="stage === 'pump'" class="metal" :cx="drawn.stageX(i)" :cy="GALLERY" r="17" />
        <rect v-else class="metal" :x="drawn.stageX(i) - 22" :y="GALLERY - 17" width="44" height="34" />
        <text :x="drawn.stageX(i)" :y="GALLERY + 36" text-anchor="middle" class="quiet-text">{{ stage }}</text>
      </g>
      <g v-for="(x, i) in drawn.mains" :key="i">
        <path :d="`M ${x} ${GALLERY} V ${GALLERY + 50}`" class="pipe thin-pipe" />
        <circle class="metal" :cx="x" :cy="GALLERY + 56" r="9" />
        <text :x="x" :y="GALLERY + 60" text-anchor="middle" style="font-size: 11px">{{ i + 1 }}</text>
      </g>
      <text
        :x="drawn.mains.length > 1 ? (drawn.mains[0] + drawn.mains[1]) / 2 : drawn.mains[0] + 40"
        :y="GALLERY + 84"
        text-anchor="middle"
        class="quiet-text"
      >
        mains
      </text>
      <g
        v-for="tap in drawn.taps"
        :key="tap.item.key"
        class="hit tap"
        :class="[tap.finding?.verdict ?? 'open', { here: tap.item.key === chosen }]"
        role="button"
        tabindex="0"
        :aria-label="`${tap.number} ${tap.item.label}: ${tap.finding?.words ?? 'not looked at yet'}`"
        :data-tap="tap.item.key"
        @click="emit('look', tap.item.key)"
        @keydown="open(tap.item.key, $event)"
      >
        <circle :cx="tap.x" :cy="tap.y" r="16" fill="transparent" />
        <rect
          v-if="tap.finding?.verdict === 'stop'"
          :x="tap.x - 11"
          :y="tap.y - 11"
          width="22"
          height="22"
          class="mark"
        />
        <circle v-else :cx="tap.x" :cy="tap.y" r="12" class="mark" />
        <text :x="tap.x" :y="tap.y + 4.5" text-anchor="middle">{{ tap.number }}</text>
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
  font-size: 13px;
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
