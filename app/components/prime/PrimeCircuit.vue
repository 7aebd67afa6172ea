<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { layCircuit } from '~/components/outlook/circuitLayout'

/** The circuit as it fills: what oil has come to, by what was seen, else by what the model says for so many seconds of turning. */
const { full } = defineProps<{ full: Map<string, number> }>()
const build = useBuild()
const setUp = usePrimeSetUp()
const { value: state } = useAnswer(
  (model) =>
    build.sheet
      ? model.circuit(build.sheet, {
          speed: 0,
          pumpSpeed: setUp.value.drillSpeed,
          temperature: setUp.value.temperature,
          meanPressure: 0,
        })
      : undefined,
  () => [build.sheet?.layout],
)
const layout = computed(() => state.value && layCircuit(state.value))
/** An element is as full as the node behind it; what runs to the sump, as the node before it. */
const shareOf = (from: string, to: string) =>
  full.get(
    to === 'sump' ? from : to === 'filter outlet' && full.has('filter can') ? t('primeCircuit.filterCan') : to,
  ) ?? 0
const drawn = computed(() =>
  (state.value?.elements ?? []).flatMap((element) => {
    const place = layout.value!.elements.get(element.id)
    return place
      ? [
          {
            id: element.id,
            d: place.d,
            name: place.name,
            share:
              element.to === 'sump' && shareOf(element.from, element.to) < 1 ? 0 : shareOf(element.from, element.to),
          },
        ]
      : []
  }),
)
</script>

<template>
  <div v-if="layout" class="drawing-scroll">
    <svg
      class="fills"
      :viewBox="`0 30 ${layout.width} ${layout.height - 30}`"
      :style="{ minWidth: `${layout.width}px` }"
      role="img"
      :aria-label="t('primeCircuit.theCircuitAsItFills')"
    >
      <path class="ground" :d="`M 16 ${layout.height - 22} H ${layout.width - 16}`" />
      <g v-for="each in drawn" :key="each.id" :data-element="each.id" :data-full="each.share.toFixed(2)">
        <path class="pipe" :d="each.d" />
        <path v-if="each.share > 0" class="oil" :d="each.d" pathLength="1" :stroke-dasharray="`${each.share} 1`" />
      </g>
      <template v-for="[id, { x, y }] in layout.nodes" :key="id">
        <g v-if="/^(main|rod|cam)/.test(id)">
          <circle class="part" :class="{ wet: (full.get(id) ?? 0) >= 1 }" :cx="x" :cy="y" r="11" />
          <text :x="x" :y="y + 5" text-anchor="middle">{{ id.split(' ')[1] }}</text>
        </g>
        <circle
          v-else-if="id === 'pump outlet'"
          class="part"
          :class="{ wet: (full.get(id) ?? 0) >= 1 }"
          :cx="x - 47"
          :cy="y"
          r="17"
        />
      </template>
      <text
        v-for="each in drawn.filter(({ name }) => name)"
        :key="`n${each.id}`"
        class="name"
        :x="each.name!.x"
        :y="each.name!.y"
        :text-anchor="each.name!.anchor"
      >
        {{ named(each.name!.words) }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.fills {
  display: block;
  width: 100%;
}
.pipe {
  stroke: var(--rule);
  stroke-width: 7;
  fill: none;
}
.oil {
  stroke: var(--oil);
  stroke-width: 7;
  fill: none;
  transition: stroke-dasharray 0.4s linear;
}
.part {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.3;
}
.part.wet {
  fill: var(--oil-wash);
  stroke: var(--oil);
}
.ground {
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  font-family: var(--mono);
  font-size: 15px;
  fill: var(--ink);
}
.name {
  font-family: var(--type);
  font-size: 15px;
  fill: var(--quiet);
}
</style>
