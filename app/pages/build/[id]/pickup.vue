<script setup lang="ts">
import { pumpDisplacement } from '#core/parts/pumpReadings'
import { halfBand } from '#core/quantity/uncertain'
import { checksOf, inspectionsOf } from '#core/engine/catalogue'
import {
  airTestVerdict,
  floorClearance,
  scavengeRatio,
  scavengeVerdict,
  VACUUM_LOST,
  floorVerdict,
  floorLimits,
} from '#core/parts/pickupRecord'
import { recordedOrDefault, requireValue, recorded } from '#core/engine/values'
import { ruleOf } from '#core/house/limits'
import { whoseLimits } from '#core/house/makerLimits'
import { STATE_LABELS } from '#core/outlook/states'
import { stepLoss } from '#core/pickup/suction'
import { STARVES } from '#core/pump/fill'

const VIEWS = [
  { view: 'fit', words: 'Fit' },
  { view: 'suction', words: 'Suction over speed' },
  { view: 'oil', words: 'Oil level and slosh' },
  { view: 'air', words: 'Air test' },
] as const
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { view, go } = useView(VIEWS)
const dry = computed(() => build.sheet!.layout.drySump)
const floor = computed(() => floorClearance(build.sheet!))
const verdict = computed(() => (dry.value ? undefined : floorVerdict(build.sheet!)))
const limits = computed(() => floorLimits(build.sheet!))
const marks = computed(() => [limits.value.least.value, limits.value.most.value])
const WHOSE = { maker: 'maker’s limits', house: 'house mark', both: 'maker’s limit beside the house’s' }
const checks = computed(() => checksOf(build.sheet!.layout).filter((check) => check.station === 'pickup'))
const airTest = computed(() => inspectionsOf(build.sheet!.layout).find(({ key }) => key === 'pickup.airTest')!)
const vacuum = computed(() => airTestVerdict(build.sheet!))
const decimals = computed(() => units.fine)
const fields = computed(() =>
  dry.value
    ? ['scavenge', 'tankVolume', 'tankHead', 'mouthDiameter', 'screenOpen', 'tubeDiameter', 'tubeLength', 'crankcase']
    : [
        'sumpDepth',
        'gasket',
        'protrusion',
        'mouthDiameter',
        'screenOpen',
        'tubeDiameter',
        'tubeLength',
        'lift',
        'crankcase',
      ],
)
/** Where tube and pump's port meet, once both are known. */
const step = computed(() => {
  const port = recordedOrDefault(build.sheet!, 'pump.suctionPort')?.value
  const tube = requireValue(build.sheet!, 'pickup.tubeDiameter').value
  return port === undefined ? undefined : { port, tube, loss: stepLoss(tube, port) }
})
const scavenge = computed(() => ({
  ratio: scavengeRatio(build.sheet!),
  verdict: scavengeVerdict(build.sheet!),
  least: ruleOf(build.sheet!, 'pickup.scavenge'),
}))
const SAID = {
  close: 'Too close: the floor chokes the mouth, most of all with cold oil. Bend or shim the pickup up.',
  far: 'Too far: it draws air under braking, on a slope or with the oil low. Lower the pickup.',
  right: 'Near enough to stay under oil, far enough not to choke.',
}
const side = computed(() =>
  floor.value.value < marks.value[0] ? 'close' : floor.value.value > marks.value[1] ? 'far' : 'right',
)
</script>

<template>
  <div>
    <StationHead station="pickup" title="Pickup">{{
      dry
        ? 'Dry sump: scavenge to the tank, pressure stage from it.'
        : 'Most lost pressure on fresh builds is here: the seal, the tube, the floor.'
    }}</StationHead>
    <TankDrawing v-if="dry" /><PickupDrawing v-else />
    <ViewTabs label="Pickup" :views="VIEWS" :view="view" @go="go($event)" />
    <div v-if="view === 'fit'" class="columns">
      <section>
        <h2>Measured</h2>
        <ReadingRow v-for="field in fields" :key="field" :name="`pickup.${field}`" />
        <ReadingRow name="pump.suctionPort" />
      </section>
      <section>
        <h2>Checked</h2>
        <CheckRow v-for="item in checks" :key="item.key" :item="item" />
        <h2 class="gives">Suction at the pump</h2>
        <div v-for="each in outlook.now?.suction ?? []" :key="each.name" class="row" :data-suction="each.name">
          <span class="what"
            >{{ STATE_LABELS[each.name]
            }}<span class="origin" :class="{ bad: each.starves }"
              >{{ each.starves ? 'air comes out of the oil; ' : each.high > STARVES ? 'may starve; ' : ''
              }}{{ units.show(each.low, 'pressure', decimals) }} to
              {{ units.show(each.high, 'pressure', decimals) }}</span
            ></span
          ><span class="figure" :class="{ bad: each.starves }"
            >{{ units.show(each.loss, 'pressure', decimals)
            }}<span class="unit">{{ units.unit('pressure').symbol }} below air</span></span
          >
        </div>
      </section>
    </div>
    <LazyPickupSuction v-else-if="view === 'suction'" />
    <LazyPickupOil v-else-if="view === 'oil'" />
    <div v-else class="columns">
      <section>
        <h2>Mouth stopped, vacuum on the pump’s end</h2>
        <InspectRow :item="airTest" />
        <ReadingRow name="pickup.vacuum" /><ReadingRow name="pickup.vacuumAfter" />
        <JudgementLine v-if="vacuum" :verdict="vacuum"
          ><b
            >{{ vacuum === 'stop' ? 'It does not hold' : 'It holds' }}: a minute later
            {{ units.say(recorded(build.sheet!, 'pickup.vacuumAfter')!.value, 'pressure', decimals) }} of
            {{ units.say(recorded(build.sheet!, 'pickup.vacuum')!.value, 'pressure', decimals) }} are left.</b
          >
          {{
            vacuum === 'stop'
              ? `More than ${Math.round(100 * VACUUM_LOST)} in 100 are gone: wet the joints with oil one after the other until it holds, and mend that one.`
              : ''
          }}</JudgementLine
        >
      </section>
      <section>
        <h2>How</h2>
        <p class="quiet how">
          Plug the mouth, draw a vacuum with a hand pump, close the valve, wait a minute. Blow no air in: a joint that
          leaks inward may hold outward. A leak here is what keeps a sound pump from drawing.
        </p>
      </section>
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-if="verdict" :verdict="verdict"
        ><b
          >Floor clearance {{ units.say(floor.value, 'length') }} ± {{ units.say(halfBand(floor), 'length') }},
          {{ WHOSE[whoseLimits(limits.least, limits.most)] }} {{ units.show(marks[0], 'length') }} to
          {{ units.say(marks[1], 'length') }}.</b
        >
        {{ SAID[side] }}</JudgementLine
      >
      <JudgementLine v-if="step && step.loss > 0.1" verdict="watch"
        ><b>The tube of {{ units.say(step.tube, 'length') }} meets a port of {{ units.say(step.port, 'length') }}.</b>
        The step costs {{ step.loss.toFixed(2) }} velocity heads of suction: blend it, or take the tube that
        fits.</JudgementLine
      >
      <JudgementLine v-if="scavenge.ratio !== undefined && scavenge.verdict" :verdict="scavenge.verdict"
        ><b
          >Scavenge stage {{ scavenge.ratio.toFixed(2) }} of the pressure stage’s
          {{ units.say(pumpDisplacement(build.sheet!).value, 'displacement') }}, at least
          {{ scavenge.least.toFixed(2) }}.</b
        >
        {{
          scavenge.verdict === 'stop'
            ? 'It carries air with the oil: the sump fills, and the tank runs empty.'
            : 'It carries off what the engine gets and the air with it.'
        }}</JudgementLine
      >
    </section>
    <CautionNote>No lumps of sealer inside: they end in the screen. Used oil harms the skin; gloves on.</CautionNote>
  </div>
</template>

<style scoped>
.gives {
  margin-top: 22px;
}
.bad {
  color: var(--stop);
}
.how {
  max-width: 52ch;
  padding-top: 4px;
}
</style>
