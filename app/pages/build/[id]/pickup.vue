<script setup lang="ts">
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/pickup'
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
  { view: 'fit', words: t('pickup.fit') },
  { view: 'suction', words: t('pickup.suctionOverSpeed') },
  { view: 'oil', words: t('pickup.oilLevelAndSlosh') },
  { view: 'air', words: t('pickup.airTest') },
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
const WHOSE = {
  maker: t('pickup.makersLimits'),
  house: t('pickup.houseMark'),
  both: t('pickup.makersLimitBesideTheHouses'),
}
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
  close: t('pickup.tooCloseTheFloorChokesThe'),
  far: t('pickup.tooFarItDrawsAirUnder'),
  right: t('pickup.nearEnoughToStayUnderOil'),
}
const side = computed(() =>
  floor.value.value < marks.value[0] ? 'close' : floor.value.value > marks.value[1] ? 'far' : 'right',
)
</script>

<template>
  <div>
    <StationHead station="pickup" :title="t('pickup.pickup')">{{
      dry ? t('pickup.drySumpScavengeToTheTank') : t('pickup.mostLostPressureOnFreshBuilds')
    }}</StationHead>
    <TankDrawing v-if="dry" /><PickupDrawing v-else />
    <ViewTabs :label="t('pickup.pickup')" :views="VIEWS" :view="view" @go="go($event)">
      <div v-if="view === 'fit'" class="columns">
        <section>
          <h2>{{ t('pickup.measured') }}</h2>
          <ReadingRow v-for="field in fields" :key="field" :name="`pickup.${field}`" />
          <ReadingRow name="pump.suctionPort" />
        </section>
        <section>
          <h2>{{ t('pickup.checked') }}</h2>
          <CheckRow v-for="item in checks" :key="item.key" :item="item" />
          <h2 class="gives">{{ t('pickup.suctionAtThePump') }}</h2>
          <div v-for="each in outlook.now?.suction ?? []" :key="each.name" class="row" :data-suction="each.name">
            <span class="what"
              >{{ named(STATE_LABELS[each.name])
              }}<span class="origin" :class="{ bad: each.starves }">{{
                t('pickup.to', {
                  starves: each.starves
                    ? `${t('pickup.airComesOutOfTheOil')} `
                    : each.high > STARVES
                      ? `${t('pickup.mayStarve')} `
                      : '',
                  low: units.show(each.low, 'pressure', decimals),
                  high: units.show(each.high, 'pressure', decimals),
                })
              }}</span></span
            ><span class="figure" :class="{ bad: each.starves }"
              >{{ units.show(each.loss, 'pressure', decimals)
              }}<span class="unit">{{ t('pickup.belowAir', { unit: units.unit('pressure').symbol }) }}</span></span
            >
          </div>
        </section>
      </div>
      <LazyPickupSuction v-else-if="view === 'suction'" />
      <LazyPickupOil v-else-if="view === 'oil'" />
      <div v-else class="columns">
        <section>
          <h2>{{ t('pickup.inletPluggedVacuumAtThePump') }}</h2>
          <InspectRow :item="airTest" />
          <ReadingRow name="pickup.vacuum" /><ReadingRow name="pickup.vacuumAfter" />
          <JudgementLine v-if="vacuum" :verdict="vacuum"
            ><b>{{
              t('pickup.aMinuteLaterOfAreLeft', {
                vacuum: vacuum === 'stop' ? t('pickup.itDoesNotHold') : t('pickup.itHolds'),
                recorded: units.say(recorded(build.sheet!, 'pickup.vacuumAfter')!.value, 'pressure', decimals),
                recorded2: units.say(recorded(build.sheet!, 'pickup.vacuum')!.value, 'pressure', decimals),
              })
            }}</b>
            {{
              vacuum === 'stop' ? t('pickup.moreThanIn100AreGone', { vacuumLost: Math.round(100 * VACUUM_LOST) }) : ''
            }}</JudgementLine
          >
        </section>
        <section>
          <h2>{{ t('pickup.how') }}</h2>
          <p class="quiet how">
            {{ t('pickup.plugTheMouthDrawAVacuum') }}
          </p>
        </section>
      </div>
    </ViewTabs>
    <section :aria-label="t('pickup.judgement')" class="block">
      <JudgementLine v-if="verdict" :verdict="verdict"
        ><b>{{
          t('pickup.floorClearanceTo', {
            floor: units.say(floor.value, 'length'),
            halfBand: units.say(halfBand(floor), 'length'),
            whose: WHOSE[whoseLimits(limits.least, limits.most)],
            marks: units.show(marks[0], 'length'),
            marks2: units.say(marks[1], 'length'),
          })
        }}</b>
        {{ SAID[side] }}</JudgementLine
      >
      <JudgementLine v-if="step && step.loss > 0.1" verdict="watch"
        ><b>{{
          t('pickup.theTubeOfMeetsAPort', {
            tube: units.say(step.tube, 'length'),
            port: units.say(step.port, 'length'),
          })
        }}</b>
        {{ t('pickup.theStepCostsSuctionLoss', { loss: figure(step.loss, 2) }) }}</JudgementLine
      >
      <JudgementLine v-if="scavenge.ratio !== undefined && scavenge.verdict" :verdict="scavenge.verdict"
        ><b>{{
          t('pickup.scavengeStageOfThePressure', {
            ratio: figure(scavenge.ratio, 2),
            pumpDisplacement: units.say(pumpDisplacement(build.sheet!).value, 'displacement'),
            least: figure(scavenge.least, 2),
          })
        }}</b>
        {{
          scavenge.verdict === 'stop' ? t('pickup.itCarriesAirWithTheOil') : t('pickup.itCarriesOffWhatTheEngine')
        }}</JudgementLine
      >
    </section>
    <CautionNote>{{ t('pickup.noLumpsOfSealerInsideThey') }}</CautionNote>
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
