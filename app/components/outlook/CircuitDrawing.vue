<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/outlook'
import type { CircuitState, DrawnElement } from '#core/outlook/circuitState'
import { layCircuit } from './circuitLayout'
import { nearest } from './nearest'

/** The whole oil path of this engine as it works at a moment: flow as width, pressure as number; each element leads to what it is. */
const { state, chosen } = defineProps<{ state: CircuitState; chosen?: string }>()
const emit = defineEmits<{ look: [id: string] }>()
const units = useUnits()
const layout = computed(() => layCircuit(state))
const most = computed(() => Math.max(...state.elements.map(({ flow }) => Math.abs(flow)), 1e-12))
/** The drawing's unit in px: its smallest words are 15 px. */
const SCALE = 15 / 13
/** Area of a pipe goes with its flow; a trickle still shows. */
const width = (flow: number) => Math.max(1.2, 13 * Math.sqrt(Math.abs(flow) / most.value))
const pressureOf = computed(() => new Map(state.nodes.map(({ id, pressure }) => [id, pressure])))
const drawn = computed(() =>
  state.elements.flatMap((element) => {
    const place = layout.value.elements.get(element.id)
    return place ? [{ element, ...place }] : []
  }),
)
const figure = (element: DrawnElement) =>
  element.flow < 1e-9 ? '0' : units.show(element.flow, 'flow', element.flow < 1.7e-5 ? 2 : 1)
/** A finger's reach, px: pipes stand closer than that, so that a tap means the nearest. */
const REACH = 22
function tapped(event: MouseEvent) {
  const svg = event.currentTarget as SVGSVGElement
  // A press that no finger made, as a screen reader's, means what it was made on.
  const own = (event.target as Element).closest<SVGGElement>('[data-element]')?.dataset.element
  if (event.detail === 0 && own) return emit('look', own)
  const toScreen = svg.getScreenCTM()
  if (!toScreen) return
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(toScreen.inverse())
  const found = nearest(drawn.value, x, y, REACH / toScreen.a)
  if (found) emit('look', found.element.id)
}
const pump = computed(() => layout.value.nodes.get('pump outlet')!)
/** A long engine is wider than the page: it scrolls, or is seen whole and smaller. */
const whole = ref(false)
const frame = useTemplateRef('frame')
const room = ref(Infinity)
onMounted(() => {
  const watcher = new ResizeObserver(([entry]) => (room.value = entry.contentRect.width))
  watcher.observe(frame.value!)
  onBeforeUnmount(() => watcher.disconnect())
})
const wider = computed(() => SCALE * layout.value.width > room.value + 1)
</script>

<template>
  <div v-if="wider" class="size">
    <span class="quiet">{{
      whole ? t('circuitDrawing.madeSmallToBeSeenWhole') : t('circuitDrawing.goesOnToTheRight')
    }}</span>{{ ' '
    }}<Button type="button" variant="text" @click="whole = !whole">{{
      whole ? t('circuitDrawing.fullSize') : t('circuitDrawing.seeItWhole')
    }}</Button>
  </div>
  <div ref="frame" class="drawing-scroll">
    <svg
      class="circuit predicted"
      :viewBox="`0 0 ${layout.width} ${layout.height}`"
      :style="
        whole && wider
          ? { width: '100%' }
          : { width: `${SCALE * layout.width}px`, minWidth: `${SCALE * layout.width}px` }
      "
      role="group"
      @click="tapped"
      :aria-label="
        t('circuitDrawing.oilCircuitAtTheGauge', {
          pressure: units.say(pressureOf.get(state.gauge) ?? 0, 'pressure', 2),
        })
      "
    >
      <path class="ground" :d="`M 16 ${layout.height - 22} H ${layout.width - 16}`" />
      <text x="18" :y="layout.height - 6" class="quiet-text">{{ t('circuitDrawing.sump') }}</text>
      <g
        v-for="{ element, d } in drawn"
        :key="element.id"
        class="element"
        :class="{ here: element.id === chosen, idle: Math.abs(element.flow) < 1e-9, out: /left out$/.test(element.id) }"
        role="button"
        tabindex="0"
        :aria-label="`${named(element.words)}: ${units.say(element.flow, 'flow', 2)}`"
        :data-element="element.id"
        :data-from="element.from"
        :data-to="element.to"
        :data-flow="element.flow"
        @keydown.enter.prevent="emit('look', element.id)"
        @keydown.space.prevent="emit('look', element.id)"
      >
        <path :d="d" class="reach" />
        <path :d="d" class="pipe" :stroke-width="width(element.flow)" />
      </g>
      <circle class="part" :cx="pump.x - 47" :cy="pump.y" r="17" />
      <template v-for="[id, { x, y }] in layout.nodes" :key="id">
        <circle v-if="/^main/.test(id)" class="part" :cx="x" :cy="y" r="11" />
        <circle v-else-if="/^rod/.test(id)" class="part" :cx="x" :cy="y" r="9" />
        <circle v-else-if="/^cam/.test(id)" class="part" :cx="x" :cy="y" r="9" />
        <text v-if="/^(main|rod|cam)/.test(id)" :x="x" :y="y + 4" text-anchor="middle" class="number">
          {{ id.split(' ')[1] }}
        </text>
      </template>
      <g v-for="{ element, label, name } in drawn" :key="`l${element.id}`" class="labels">
        <text v-if="name" :x="name.x" :y="name.y" :text-anchor="name.anchor" class="quiet-text label">
          {{ named(name.words) }}
        </text>
        <text v-if="label" :x="label.x" :y="label.y" :text-anchor="label.anchor" class="flow label">
          {{ figure(element) }}
        </text>
      </g>
      <text
        v-for="each in layout.pressures"
        :key="each.node"
        :x="each.x"
        :y="each.y"
        :text-anchor="each.anchor"
        class="pressure label"
      >
        {{ units.show(pressureOf.get(each.node) ?? 0, 'pressure', units.fine) }}
      </text>
      <text :x="layout.nodes.get(state.gauge)!.x + 8" y="34" class="gauge label">
        {{
          t('circuitDrawing.gauge', {
            pressure: units.say(Math.max(0, pressureOf.get(state.gauge) ?? 0), 'pressure', units.fine),
          })
        }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.circuit {
  display: block;
}
.size {
  display: flex;
  justify-content: flex-end;
  align-items: center;
  gap: 4px;
  margin: -4px 0;
}
text {
  font-family: var(--type);
  font-size: 13px;
  fill: var(--ink);
}
.quiet-text {
  fill: var(--quiet);
}
.flow {
  font-family: var(--mono);
  font-size: 13px;
  fill: var(--oil);
}
.pressure {
  font-family: var(--mono);
  font-size: 13px;
}
.gauge {
  font-weight: 700;
  font-size: 15px;
}
.number {
  font-size: 13px;
  font-family: var(--mono);
  pointer-events: none;
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
}
.part {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.3;
  pointer-events: none;
}
.pipe {
  stroke: var(--oil);
  fill: none;
  stroke-linejoin: round;
}
.reach {
  stroke: transparent;
  stroke-width: 20;
  fill: none;
}
.element {
  cursor: pointer;
}
.element:focus {
  outline: none;
}
.idle .pipe {
  stroke: var(--field);
  stroke-dasharray: 4 3;
}
.out .pipe {
  stroke: var(--stop);
}
.here .pipe,
.element:focus-visible .pipe,
.element:hover .pipe {
  stroke: var(--petrol);
}
@media print {
  .size {
    display: none;
  }
  .circuit {
    width: 100% !important;
    min-width: 0 !important;
  }
}
</style>
