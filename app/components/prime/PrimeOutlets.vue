<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/prime'
import { checksOf } from '#core/engine/catalogue'
import { liftersOf } from '#core/parts/lifterLook'

/** Where oil must be seen, drawn on this engine: touched once it is in order, touched again it is at fault, a third time it is open. */
const emit = defineEmits<{ seen: [key: string, label: string] }>()
const build = useBuild()
const layout = computed(() => build.sheet!.layout)
const outlets = computed(() =>
  checksOf(layout.value).filter(({ station, group }) => station === 'prime' && group === 'outlet'),
)
const rockers = computed(() => outlets.value.filter(({ key }) => key.startsWith('prime.rocker')))
const rows = computed(() => liftersOf(layout.value))
const others = computed(() =>
  outlets.value.filter(({ key }) => !key.startsWith('prime.rocker') && !rows.value.some(({ check }) => check === key)),
)
const banks = computed(() => (['v', 'flat', 'opposed'].includes(layout.value.kind) ? 2 : 1))
const WIDTH = 620
const pitch = computed(() => Math.min(84, (WIDTH - 40) / Math.max(1, Math.ceil(rockers.value.length / banks.value))))
const places = computed(() =>
  rockers.value.map((item, i) => ({
    item,
    x: 40 + (Math.floor(i / banks.value) + 0.5) * pitch.value,
    y: banks.value === 1 ? 60 : i % 2 === 0 ? 42 : 128,
    words: item.label.replace('Rockers ', ''),
  })),
)
const length = computed(() => pitch.value * Math.ceil(rockers.value.length / banks.value))
const stateOf = (key: string) => build.sheet!.checks[key]?.state
function touch(key: string, label: string) {
  const next = stateOf(key) === undefined ? 'done' : stateOf(key) === 'done' ? 'fault' : undefined
  void build.check(key, next, label)
  if (next === 'done') emit('seen', key, label)
}
const say = (key: string) =>
  stateOf(key) === 'done'
    ? t('primeOutlets.inOrder')
    : stateOf(key) === 'fault'
      ? t('primeOutlets.fault')
      : t('primeOutlets.notLookedAtYet')
</script>

<template>
  <div>
    <div v-if="rockers.length > 0" class="drawing-scroll">
      <svg
        class="heads"
        :viewBox="`0 0 ${Math.max(300, length + 80)} ${banks === 1 ? 120 : 172}`"
        :style="{ minWidth: `${Math.max(300, length + 80)}px`, maxWidth: `${Math.max(300, length + 80)}px` }"
        role="group"
        :aria-label="t('primeOutlets.rockersDrawnFromTheFrontOn')"
      >
        <rect
          v-for="bank in banks"
          :key="bank"
          class="head"
          x="36"
          :y="banks === 1 ? 26 : bank === 1 ? 10 : 96"
          :width="length + 8"
          height="66"
          rx="5"
        />
        <text x="20" :y="banks === 1 ? 64 : 90" text-anchor="middle" class="front">{{ t('primeOutlets.front') }}</text>
        <g
          v-for="each in places"
          :key="each.item.key"
          class="outlet"
          :class="stateOf(each.item.key)"
          role="button"
          tabindex="0"
          :aria-label="`${named(each.item.label)}: ${say(each.item.key)}`"
          @click="touch(each.item.key, each.item.label)"
          @keydown.enter.prevent="touch(each.item.key, each.item.label)"
          @keydown.space.prevent="touch(each.item.key, each.item.label)"
        >
          <circle :cx="each.x" :cy="each.y" r="24" />
          <text :x="each.x" :y="each.y + 6" text-anchor="middle">{{ named(each.words) }}</text>
          <path v-if="stateOf(each.item.key) === 'fault'" :d="`M${each.x - 24} ${each.y + 31}h48`" />
        </g>
      </svg>
    </div>
    <LifterRow v-for="row in rows" :key="row.check" :row="row" @seen="(key, label) => emit('seen', key, label)" />
    <CheckRow v-for="item in others" :key="item.key" :item="item" />
  </div>
</template>

<style scoped>
.heads {
  display: block;
  width: 100%;
}
.head {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 1.3;
}
.front {
  font-family: var(--type);
  font-size: 15px;
  fill: var(--quiet);
}
.outlet {
  cursor: pointer;
}
.outlet circle {
  fill: var(--sheet);
  stroke: var(--field);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}
.outlet text {
  font-family: var(--mono);
  font-size: 17px;
  fill: var(--ink);
  pointer-events: none;
}
.outlet.done circle {
  fill: var(--oil);
  stroke: var(--oil);
  stroke-dasharray: none;
}
.outlet.done text {
  fill: var(--sheet);
  font-weight: 700;
}
.outlet.fault circle {
  fill: var(--stop-wash);
  stroke: var(--stop);
  stroke-dasharray: none;
}
.outlet path {
  stroke: var(--stop);
  stroke-width: 4;
}
.outlet:focus-visible {
  outline: none;
}
.outlet:focus-visible circle {
  stroke: var(--petrol);
  stroke-width: 4;
}
</style>
