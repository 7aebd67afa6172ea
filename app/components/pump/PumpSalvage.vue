<script setup lang="ts">
import { t } from '~/words/of/pump'
import { endClearance, pumpDisplacement } from '#core/parts/pumpReadings'
import type { FieldOf } from '#core/parts/list'
import { recordedOrDefault, requireValue } from '#core/engine/values'
import { limitOf } from '#core/house/makerLimits'
import { wornPump } from '#core/outlook/pumpWays'
import { oilAt } from '#core/oil/oil'
import { oilOf } from '#core/record/oil'
import { salvage } from '#core/pump/salvage'

/** What a cut regains, what it leaves of the metal, and whether a new pump does better. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const value = (key: FieldOf<'pump'>) => recordedOrDefault(build.sheet!, `pump.${key}`)?.value ?? 0
const least = computed(() => limitOf(build.sheet!, 'pump.metalLeast').value)
const missing = computed(() =>
  [
    ['pump.coverWear', t('pumpSalvage.theCoversTrack')],
    ['pump.coverThickness', t('pumpSalvage.theCoversThickness')],
    ['pump.floorThickness', t('pumpSalvage.thePocketFloorsThickness')],
  ]
    .filter(([key]) => !build.sheet!.readings[key])
    .map(([, words]) => words),
)
const idle = computed(() => outlook.now?.states.find((state) => state.name === 'idleHot'))
const result = computed(() => {
  const sheet = build.sheet!
  const oil = oilAt(oilOf(sheet), requireValue(sheet, 'brief.hotOil').value)
  return salvage(
    {
      ...wornPump(sheet),
      coverCut: value('coverCut'),
      bodyCut: value('bodyCut'),
      pocketCut: value('pocketCut'),
    },
    oil.viscosity,
  )
})
const pressure = computed(() => idle.value?.pressure ?? 0)
const regained = computed(() => (result.value.slipBefore - result.value.slipAfter) * pressure.value)
const delivered = computed(
  () =>
    pumpDisplacement(build.sheet!).value *
    requireValue(build.sheet!, 'brief.idleSpeed').value *
    requireValue(build.sheet!, 'pump.driveRatio').value,
)
const cuts = computed(() => value('coverCut') + value('bodyCut') + value('pocketCut') > 0)
const { value: gain } = useAnswer(
  (model) =>
    build.sheet && cuts.value
      ? model.change(
          build.sheet,
          { 'pump.endClearance': Math.max(1e-6, result.value.endClearance - value('gasket')) },
          'idleHot',
        )
      : undefined,
  () => [build.sheet, result.value.endClearance],
)
const signed = (gained: number) =>
  `${gained < 0 ? t('pumpSalvage.loses') : t('pumpSalvage.gains')} ${units.say(Math.abs(gained), 'pressure', units.fine)}`
const left = (metal: number) => (Number.isFinite(metal) ? units.say(metal, 'length') : t('pumpSalvage.notMeasured'))
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>{{ t('pumpSalvage.theWear') }}</h2>
        <ReadingRow name="pump.coverWear" /><ReadingRow name="pump.coverThickness" /><ReadingRow
          name="pump.floorWear"
        /><ReadingRow name="pump.floorThickness" />
        <h2 class="next">{{ t('pumpSalvage.theCutAsPlanned') }}</h2>
        <ReadingRow name="pump.coverCut" /><ReadingRow name="pump.bodyCut" /><ReadingRow name="pump.pocketCut" />
      </section>
      <section>
        <h2>{{ t('pumpSalvage.leaves') }}</h2>
        <div class="row">
          <span class="what"
            >{{ t('pumpSalvage.endClearance')
            }}<span class="origin">{{
              t('pumpSalvage.now', { endClearance: units.say(endClearance(build.sheet!).value, 'clearance') })
            }}</span></span
          ><span class="figure" data-testid="salvage-end"
            >{{ units.show(result.endClearance, 'clearance')
            }}<span class="unit">{{ units.unit('clearance').symbol }}</span></span
          >
        </div>
        <div class="row">
          <span class="what"
            >{{ t('pumpSalvage.coverLeft')
            }}<span class="origin">{{ t('pumpSalvage.atLeast', { least: units.say(least, 'length') }) }}</span></span
          ><span class="figure" data-testid="salvage-cover">{{ left(result.coverLeft) }}</span>
        </div>
        <div class="row">
          <span class="what"
            >{{ t('pumpSalvage.pocketFloorLeft')
            }}<span class="origin">{{ t('pumpSalvage.atLeast', { least: units.say(least, 'length') }) }}</span></span
          ><span class="figure" data-testid="salvage-floor">{{ left(result.floorLeft) }}</span>
        </div>
        <div class="row">
          <span class="what"
            >{{ t('pumpSalvage.slipAtIdleHot')
            }}<span class="origin">{{
              t('pumpSalvage.nowOf', {
                slipBefore: units.say(result.slipBefore * pressure, 'flow', 2),
                delivered: units.say(delivered, 'flow'),
              })
            }}</span></span
          ><span class="figure" data-testid="salvage-slip"
            >{{ units.show(result.slipAfter * pressure, 'flow', 2)
            }}<span class="unit">{{ units.unit('flow').symbol }}</span></span
          >
        </div>
      </section>
    </div>
    <section :aria-label="t('pumpSalvage.judgement')" class="block">
      <p v-if="!cuts" class="quiet">{{ t('pumpSalvage.writeACutToSeeWhat') }}</p>
      <template v-else>
        <JudgementLine v-for="words in result.problems" :key="words" verdict="stop"
          ><b>{{ words }}</b></JudgementLine
        >
        <JudgementLine v-if="result.problems.length === 0" verdict="pass"
          ><b>{{
            t('pumpSalvage.ofFlowRegainedIdleHot', {
              regained: units.say(regained, 'flow', 2),
              gain: signed(gain ?? 0),
            })
          }}</b>
          {{ t('pumpSalvage.thenMeasureTheEndClearance') }}</JudgementLine
        >
        <JudgementLine v-if="missing.length > 0" verdict="unknown">{{
          t('pumpSalvage.notMeasuredWhatIsLeftOf', { missing: missing.join(', ') })
        }}</JudgementLine>
      </template>
    </section>
    <PumpWays />
    <CautionNote>{{ t('pumpSalvage.cutACoverFlatAcrossIts') }}</CautionNote>
  </div>
</template>

<style scoped>
.next {
  margin-top: 20px;
}
</style>
