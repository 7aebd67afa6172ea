<script setup lang="ts">
import { t } from '~/words/of/pump'
/** What the gauge reads once it has idled for hours, and what rides on the cams then lives on. */
const build = useBuild()
const units = useUnits()
const outlook = useOutlook()
const { value: idling } = useAnswer(
  (_, slow) => (build.sheet ? slow().longIdle(build.sheet) : undefined),
  () => outlook.now,
)
const p = (value: number) => units.show(value, 'pressure', units.fine)
/** What so much idling does to what rides on the cams. */
const idleWords = computed(() => {
  if (!idling.value) return ''
  const { often, followers, verdict } = idling.value
  const what = followers === 'roller' ? t('longIdle.lifterRollersAndTheirNeedles') : t('longIdle.slidingFollowers')
  if (verdict === 'assumed') return t('longIdle.mainsRodsOrPumpStandOn')
  if (verdict === 'void') return t('longIdle.voidUntilWhatIsNamedAbove')
  if (verdict === 'pass')
    return often
      ? t('longIdle.liveOnSplashAtIdleFast', { followers: what })
      : t('longIdle.haveWhatTheyNeed', { followers: what })
  return t('longIdle.wearAtSoLittleAFaster', { followers: what, often: often ? t('longIdle.andItIdlesForHours') : '' })
})
</script>

<template>
  <section v-if="idling" class="block" data-testid="long-idle">
    <div class="block-head">
      <h2>{{ t('longIdle.idlingForHours') }}</h2>
      <span class="note">{{ t('longIdle.longIdlingAtLowPressureWears') }}</span>
    </div>
    <div class="columns">
      <div><ReadingRow name="brief.idleHours" /><ReadingRow name="brief.idleOil" /></div>
      <div class="predicted">
        <div class="row">
          <span class="what"
            >{{ t('longIdle.idleHotByThen')
            }}<span class="origin">{{
              t('longIdle.oilAt', {
                temperature: units.say(idling.temperature, 'temperature'),
                read: idling.read ? '' : t('longIdle.assumedTheBriefsHotOil'),
                seen:
                  idling.seen === undefined
                    ? ''
                    : t('longIdle.byTheRead', { seen: units.say(idling.seen, 'pressure', units.fine) }),
              })
            }}</span></span
          ><span class="figure"
            >{{ p(idling.now.pressure)
            }}<span class="unit">{{
              t('longIdle.to', { low: p(idling.now.low), high: p(idling.now.high) })
            }}</span></span
          >
        </div>
        <div class="row">
          <span class="what">{{ t('longIdle.withRotorsATenthLonger') }}</span><span class="figure"
            >{{ p(idling.longer.pressure)
            }}<span class="unit">{{
              t('longIdle.to', { low: p(idling.longer.low), high: p(idling.longer.high) })
            }}</span></span
          >
        </div>
      </div>
    </div>
    <JudgementLine class="predicted" :verdict="idling.verdict"
      ><b>{{
        t('longIdle.atIdleAfterHoursOfIt', {
          pressure: units.say(idling.now.pressure, 'pressure', units.fine),
          least: units.say(idling.least, 'pressure', units.fine),
        })
      }}</b>
      {{ idleWords }}</JudgementLine
    >
  </section>
</template>
