<script setup lang="ts">
import { named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/pump'
import type { ReadingKey } from '#core/parts/list'
import { recordedOrDefault, requireValue } from '#core/engine/values'
import { limitOf } from '#core/house/makerLimits'
import { stepLoss } from '#core/pickup/suction'

/** Ports opened and blended: before, after, the wall left, and what it is worth. */
const build = useBuild()
const units = useUnits()
const PORTS = [
  ['suction', t('pumpPorts.suctionPort')],
  ['outlet', t('pumpPorts.outletPort')],
] as const
const of = (key: ReadingKey) => recordedOrDefault(build.sheet!, key)?.value
const limit = computed(() => limitOf(build.sheet!, 'pump.wallLeast'))
const least = computed(() => limit.value.value)
const thin = computed(() =>
  PORTS.flatMap(([port, words]) => {
    const wall = of(`pump.${port}PortWall`)
    return wall !== undefined && wall < least.value ? [{ words, wall }] : []
  }),
)
const tube = computed(() => requireValue(build.sheet!, 'pickup.tubeDiameter').value)
/** What the opened suction port takes off the loss where the tube meets it, in velocity heads of the tube. */
const step = computed(() => {
  const [before, now] = [of('pump.suctionPortBefore'), of('pump.suctionPort')]
  return before !== undefined && now !== undefined
    ? { before: stepLoss(tube.value, before), now: stepLoss(tube.value, now) }
    : undefined
})
const undone = computed(() =>
  Object.fromEntries(
    PORTS.flatMap(([port]) => {
      const before = of(`pump.${port}PortBefore`)
      return before !== undefined && of(`pump.${port}Port`) !== undefined ? [[`pump.${port}Port`, before]] : []
    }),
  ),
)
const { value: worth } = useAnswer(
  (model) =>
    build.sheet && Object.keys(undone.value).length > 0
      ? model.change(build.sheet, undone.value, 'workingHot')
      : undefined,
  () => [build.sheet, JSON.stringify(undone.value)],
)
const washed = computed(() => build.sheet!.checks['pump.washed']?.state === 'done')
</script>

<template>
  <div>
    <div class="columns">
      <section v-for="[port, words] in PORTS" :key="port">
        <h2>{{ words }}</h2>
        <ReadingRow v-for="field in ['PortBefore', 'Port', 'PortWall']" :key="field" :name="`pump.${port}${field}`" />
      </section>
    </div>
    <section :aria-label="t('pumpPorts.judgement')" class="block">
      <JudgementLine v-for="each in thin" :key="each.words" verdict="stop"
        ><b>{{
          t('pumpPorts.ofWallLeft', {
            each: named(each.words),
            wall: units.say(each.wall, 'length'),
            source: limit.source === 'maker' ? t('pumpPorts.makersLimit') : t('pumpPorts.houseMark'),
            least: units.say(least, 'length'),
          })
        }}</b>
        {{ t('pumpPorts.itCracksIntoTheNextPassage') }}</JudgementLine
      >
      <JudgementLine v-if="step" verdict="unknown"
        ><b>{{
          t('pumpPorts.whereTheTubeOfMeetsThe', {
            tube: units.say(tube, 'length'),
            now: figure(step.now, 2),
            before: figure(step.before, 2),
          })
        }}</b>
        {{ step.now < 0.05 ? t('pumpPorts.noStepIsLeft') : t('pumpPorts.aStepRemainsBlendIt') }}</JudgementLine
      >
      <JudgementLine v-if="worth !== undefined" verdict="unknown"
        ><b>{{
          t('pumpPorts.theWorkIsWorthAtWorking', {
            worth: units.say(Math.abs(worth), 'pressure', units.unit('pressure').symbol === 'bar' ? 3 : 1),
          })
        }}</b>
        {{ t('pumpPorts.onlyTheSideThatTheFlow') }}</JudgementLine
      >
      <JudgementLine v-if="step && !washed" verdict="watch"
        ><b>{{ t('pumpPorts.chipsAreNotYetWashedOut') }}</b>
        {{ t('pumpPorts.theyEndInTheBearingsWash') }}</JudgementLine
      >
      <p v-if="!step && thin.length === 0 && worth === undefined" class="quiet">
        {{ t('pumpPorts.nothingWasOpenedWhereAPort') }}
      </p>
    </section>
    <CautionNote>{{ t('pumpPorts.chipsAndGritFlyEyeProtection') }}</CautionNote>
  </div>
</template>
