<script setup lang="ts">
import { t } from '~/words/of/bearings'
import { stripClearance } from '#core/bearing/strip'
import { parseQuantity } from '#core/quantity/parse'

/** A clearance by a flattened strip, against its sleeve's printed scale. */
const { reading, label } = defineProps<{ reading: string; label: string }>()
const build = useBuild()
const units = useUnits()
const shop = useShop()
const gap = (value: number) => units.show(value, 'clearance')
const scaleName = ref('')
const scale = computed(() => shop.house.strips.find((each) => each.name === scaleName.value) ?? shop.house.strips[0])
const width = ref('')
const stripProblem = ref('')
/** A pixel is 1/96 of an inch: the sleeve is drawn at its own size on a screen that keeps to it. */
const PER_METRE = 96 / 0.0254
function readStrip() {
  const parsed = parseQuantity(width.value, 'length', units.unit('length'))
  if (!parsed.ok) return void (stripProblem.value = parsed.message)
  try {
    const { value, sigma } = stripClearance(parsed.value, scale.value.lines)
    stripProblem.value = ''
    void build.record(
      `${reading}.clearance`,
      {
        value,
        source: 'measured',
        uncertainty: sigma,
        instrument: scale.value.name,
        typed: t('stripReading.strip', { width: width.value.trim() }).slice(0, 40),
      },
      t('stripReading.clearanceByStrip', { label }),
    )
    width.value = ''
  } catch (error) {
    stripProblem.value = (error as Error).message.replace(/^\w+: /, 'The strip ')
  }
}
</script>

<template>
  <section>
    <h2>{{ t('stripReading.byStrip') }}</h2>
    <div class="strip-row">
      <ChoiceField
        :label="t('stripReading.stripGauge')"
        :value="scale.name"
        :options="shop.house.strips.map((each) => ({ value: each.name, words: each.name }))"
        @choose="scaleName = $event"
      />
      <label
        >{{ t('stripReading.width') }}
        <InputText
          v-model="width"
          :aria-label="t('stripReading.widthOfTheFlattenedStrip')"
          :aria-invalid="!!stripProblem"
          @keydown.enter.prevent="readStrip"
        />
        {{ units.unit('length').symbol }}</label
      ><Button type="button" variant="outlined" @click="readStrip">{{ t('stripReading.read') }}</Button>
    </div>
    <p v-if="stripProblem" class="wrong" role="alert">{{ stripProblem }}</p>
    <LazyStripPhoto :reading="reading" :label="label" :scale="scale" />
    <svg
      class="strip-scale"
      :viewBox="`0 0 330 64`"
      role="img"
      :aria-label="t('stripReading.theSleevesPrintedScaleAtIts')"
    >
      <g v-for="(line, i) in scale.lines" :key="line.width" :transform="`translate(${8 + 64 * i} 4)`">
        <rect :width="line.width * PER_METRE" height="34" class="printed" />
        <text y="54" class="figure-text">{{ gap(line.clearance) }}</text>
      </g>
    </svg>
  </section>
</template>

<style scoped>
.strip-row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.strip-row .p-inputtext {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
.strip-scale {
  width: 330px;
  max-width: 100%;
  margin-top: 10px;
  display: block;
}
.strip-scale text {
  font-family: var(--mono);
  font-size: 15px;
  fill: var(--quiet);
}
.printed {
  fill: var(--metal);
  stroke: var(--ink);
  stroke-width: 0.8;
}
.wrong {
  color: var(--stop);
}
</style>
