<script setup lang="ts">
import { floorClearance } from '#core/build/inputs'
import { FLOOR, floorVerdict } from '#core/progress/progress'
import { checksOf } from '#core/build/checks'
import { STATE_LABELS } from '#core/outlook/states'

const build = useBuild()
const house = useHouse()
const outlook = useOutlook()
const floor = computed(() => floorClearance(build.sheet!))
const verdict = computed(() => floorVerdict(build.sheet!))
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.station === 'pickup'))
const decimals = computed(() => (house.unit('pressure').symbol === 'bar' ? 2 : undefined))
</script>

<template>
  <div>
    <StationHead station="pickup" title="Pickup">Most lost pressure on fresh builds is here: the seal, the tube, the floor.</StationHead>
    <PickupDrawing />
    <div class="columns">
      <section>
        <h2>Measured</h2>
        <ReadingRow v-for="field in ['sumpDepth', 'protrusion', 'mouthDiameter', 'tubeDiameter', 'tubeLength', 'lift']" :key="field" :name="`pickup.${field}`" />
      </section>
      <section>
        <h2>Checked</h2>
        <CheckRow v-for="item in checks" :key="item.key" :item="item" />
        <h2 class="gives">Suction at the pump</h2>
        <div v-for="each in outlook.now?.suction ?? []" :key="each.name" class="row" :data-suction="each.name"><span class="what">{{ STATE_LABELS[each.name] }}<span v-if="each.starves" class="origin bad">air comes out of the oil</span></span><span class="figure" :class="{ bad: each.starves }">{{ house.show(each.loss, 'pressure', decimals) }}<span class="unit">{{ house.unit('pressure').symbol }} below air</span></span></div>
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-if="verdict" :verdict="verdict"><b>Floor clearance {{ house.say(floor.value, 'length') }}, house mark {{ house.show(FLOOR.least, 'length') }} to {{ house.say(FLOOR.most, 'length') }}.</b>
        {{ floor.value < FLOOR.least ? 'Too close: the floor chokes the mouth, most of all with cold oil. Bend or shim the pickup up.' : floor.value > FLOOR.most ? 'Too far: it draws air under braking, on a slope or with the oil low. Lower the pickup.' : 'Near enough to stay under oil, far enough not to choke.' }}</JudgementLine>
    </section>
    <CautionNote>No lumps of sealer inside: they end in the screen. Used oil harms the skin; gloves on.</CautionNote>
  </div>
</template>

<style scoped>
.gives { margin-top: 22px; }
.bad { color: var(--stop); }
</style>
