<script setup lang="ts">
import { t } from '~/words/of/pickup'
import type { FieldOf } from '#core/parts/list'
import { floorClearance } from '#core/parts/pickupRecord'
import { requireValue } from '#core/engine/values'
import { inletAreas } from '#core/pickup/suction'
import { STARVES } from '#core/pump/fill'

/** Suction over speed, cold and hot, up to where the pump starves; with part of the screen blocked. */
const build = useBuild()
const units = useUnits()
const blocked = ref(0)
const { value: curves } = useAnswer(
  (model) => (build.sheet ? model.suction(build.sheet, blocked.value) : undefined),
  () => [build.sheet, blocked.value],
)
const OverSpeedChart = defineAsyncComponent(() => import('~/components/outlook/OverSpeedChart.vue'))
const lines = computed(() =>
  curves.value
    ? (
        [
          ['cold', 'petrol'],
          ['hot', 'oil'],
        ] as const
      ).map(([key, ink]) => {
        const { suction, temperature, hardest } = curves.value![key]
        return {
          name: t(key === 'cold' ? 'pickupSuction.coldTemperature' : 'pickupSuction.hotTemperature', {
            temperature: units.say(temperature, 'temperature'),
          }),
          ink,
          values: suction,
          band: [{ speed: hardest.speed, low: hardest.low, high: hardest.high }],
        }
      })
    : [],
)
const maximum = computed(() => requireValue(build.sheet!, 'brief.maximumSpeed').value)
const verdicts = computed(() =>
  (curves.value
    ? ([
        ['cold', curves.value.cold],
        ['hot', curves.value.hot],
      ] as const)
    : []
  ).map(([words, curve]) => ({
    words,
    temperature: curve.temperature,
    at: curve.starvesAt,
    hardest: curve.hardest,
    margin: STARVES - curve.hardest.suction,
    verdict:
      curve.starvesAt !== undefined
        ? words === 'hot'
          ? ('stop' as const)
          : ('watch' as const)
        : curve.hardest.high > STARVES
          ? ('watch' as const)
          : ('pass' as const),
  })),
)
const areas = computed(() => {
  const of = (field: FieldOf<'pickup'>) => requireValue(build.sheet!, `pickup.${field}`).value
  const tube = 0.25 * Math.PI * of('tubeDiameter') ** 2
  const { ring, screen } = inletAreas(
    of('mouthDiameter'),
    floorClearance(build.sheet!).value,
    of('screenOpen') * (1 - blocked.value),
  )
  return { tube, ring, screen }
})
const area = (value: number) => t('pickupSuction.mm', { value: Math.round(value * 1e6) })
</script>

<template>
  <div>
    <div class="slide">
      <span>{{ t('pickupSuction.screenBlocked') }}</span><ValueSlider
        :label="t('pickupSuction.shareOfTheScreenThatIs')"
        :value="blocked"
        :from="0"
        :to="0.95"
        :step="0.05"
        :says="t('pickupSuction.in100', { blocked: Math.round(100 * blocked) })"
        @slide="blocked = $event"
      /><span class="mono">{{ Math.round(100 * blocked) }} %</span>
    </div>
    <OverSpeedChart
      v-if="curves"
      :lines="lines"
      :speeds="curves.speeds"
      dimension="pressure"
      :words="t('pickupSuction.suctionBelowAir')"
      :label="t('pickupSuction.suctionAtThePumpOverSpeed')"
      :limit="{ value: STARVES, words: t('pickupSuction.starvesAirComesOutOfThe') }"
    />
    <JudgementLine v-for="each in verdicts" :key="each.words" :verdict="each.verdict"
      ><b
        >{{ each.words === 'cold' ? t('pickupSuction.cold') : t('pickupSuction.hot') }},
        {{ units.say(each.temperature, 'temperature') }}:
        <template v-if="each.at !== undefined">{{
          t('pickupSuction.starvesFrom', { at: units.say(each.at, 'speed') })
        }}</template><template v-else>{{
          t('pickupSuction.leftAtItsHardestUpTo', {
            margin: units.say(each.margin, 'pressure', units.fine),
            maximum: units.say(maximum, 'speed'),
          })
        }}</template></b
      >
      {{
        t('pickupSuction.withWhatIsUncertainToAt', {
          low: units.show(each.hardest.low, 'pressure', units.fine),
          high: units.say(each.hardest.high, 'pressure', units.fine),
          speed: units.say(each.hardest.speed, 'speed'),
          at: each.at === undefined && each.verdict === 'watch' ? t('pickupSuction.whichReachesPastTheLimit') : '.',
          at2:
            each.at === undefined
              ? ''
              : each.words === 'cold'
                ? t('pickupSuction.keepBelowItUntilTheOil')
                : t('pickupSuction.aWiderTubeAFreerMouth'),
        })
      }}</JudgementLine
    >
    <p class="quiet areas">
      {{ t('pickupSuction.waysInTube') }} <b class="mono">{{ area(areas.tube) }}</b>{{
        t('pickupSuction.ringUnderTheMouth')
      }}
      <b class="mono">{{ area(areas.ring) }}</b>{{ t('pickupSuction.openScreen') }}
      <b class="mono">{{ area(areas.screen) }}</b>{{
        areas.ring < 1.5 * areas.tube
          ? '. The ring is hardly wider than the tube: the floor is too close.'
          : areas.screen < 1.5 * areas.tube
            ? '. The screen is hardly wider than the tube: clean it.'
            : '.'
      }}
    </p>
  </div>
</template>

<style scoped>
.slide {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 44px;
  max-width: 520px;
}
.slide .slider {
  flex: 1;
}
.slide .mono {
  min-width: 56px;
  text-align: right;
}
.areas {
  padding-top: 10px;
}
</style>
