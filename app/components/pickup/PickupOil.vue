<script setup lang="ts">
import { figure } from '~/words/numbers'
import { named } from '~/words/speak'
import { t } from '~/words/of/pickup'
import { recorded } from '#core/engine/values'
import { oilFill, sloshOf } from '#core/parts/pickupRecord'
import { ruleOf } from '#core/house/limits'
import { brakingFor } from '#core/pickup/slosh'

/** Oil level, what goes in for priming, and what is left over the mouth when the surface tilts as the use asks. */
const build = useBuild()
const units = useUnits()
const slosh = computed(() => sloshOf(build.sheet!))
const fill = computed(() => oilFill(build.sheet!))
const tilt = computed(() => ruleOf(build.sheet!, `tilt.${build.sheet!.use}`))
const dry = computed(() => build.sheet!.layout.drySump)
/** What tilts the oil in this use. */
const CAUSES = {
  road: t('pickupOil.brakingAndBends'),
  race: t('pickupOil.brakingAndBends'),
  marine: t('pickupOil.heelAndPitch'),
  generator: t('pickupOil.aStandOutOfLevel'),
  farm: 'slopes',
  aircraft: t('pickupOil.climbAndBank'),
}
const angle = computed(() => units.say(tilt.value, 'angle'))
const heavy = computed(() =>
  ['road', 'race'].includes(build.sheet!.use) ? `, ${figure(brakingFor(tilt.value), 1)} g` : '',
)
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>{{ t('pickupOil.oil') }}</h2>
        <ReadingRow name="pickup.oilDepth" /><ReadingRow name="pickup.capacity" /><ReadingRow
          name="pickup.filterVolume"
        />
        <template v-if="fill">
          <div class="row">
            <span class="what">{{ t('pickupOil.pourInFilterFittedDry') }}</span><span
              class="figure"
              data-testid="fill-dry"
              >{{ units.show(fill.dryFilter, 'volume')
              }}<span class="unit">{{ units.unit('volume').symbol }}</span></span
            >
          </div>
          <div v-if="fill.filledFilter !== fill.whole" class="row">
            <span class="what">{{ t('pickupOil.pourInFilterFilledFirst') }}</span><span
              class="figure"
              data-testid="fill-filled"
              >{{ units.show(fill.filledFilter, 'volume')
              }}<span class="unit">{{ units.unit('volume').symbol }}</span></span
            >
          </div>
          <div v-if="fill.depth" class="row">
            <span class="what"
              >{{ t('pickupOil.standsOverTheFloorBefore')
              }}<span class="origin">{{ t('pickupOil.passagesStillEmpty') }}</span></span
            ><span class="figure"
              >{{ units.show(fill.depth, 'length') }}<span class="unit">{{ units.unit('length').symbol }}</span></span
            >
          </div>
        </template>
      </section>
      <section v-if="!dry">
        <h2>{{ t('pickupOil.sump') }}</h2>
        <ReadingRow name="pickup.offset" /><ReadingRow name="pickup.sumpLength" /><ReadingRow name="pickup.sumpWidth" />
        <div class="row">
          <span class="what"
            >{{ t('pickupOil.surfaceTiltsBy')
            }}<span class="origin">{{ named(build.sheet!.use) }}: {{ CAUSES[build.sheet!.use] }}</span></span
          ><span class="figure"
            >{{ angle }}<span class="unit">{{ heavy }}</span></span
          >
        </div>
      </section>
    </div>
    <section class="block" :aria-label="t('pickupOil.slosh')">
      <JudgementLine v-if="slosh" :verdict="slosh.verdict" data-testid="slosh"
        ><b>{{
          t('pickupOil.houseMark', {
            cover:
              slosh.cover > 0
                ? t('pickupOil.ofOilOverTheMouthWith', { cover: units.say(slosh.cover, 'length'), angle })
                : t('pickupOil.theMouthIsOutOfThe', { angle }),
            least: units.say(slosh.least, 'length'),
          })
        }}</b>
        {{
          slosh.verdict === 'pass' ? t('pickupOil.itStaysUnderAtTheLow') : t('pickupOil.aBaffleRoundThePickupMore')
        }}</JudgementLine
      >
      <p v-else-if="!dry" class="quiet">
        {{ t('pickupOil.measureTheOilsDepthAtThe') }}
      </p>
      <JudgementLine
        v-if="
          fill &&
          fill.depth &&
          recorded(build.sheet!, 'pickup.oilDepth') &&
          fill.depth < recorded(build.sheet!, 'pickup.oilDepth')!.value
        "
        verdict="watch"
        ><b>{{
          t('pickupOil.theWholeFillStandsLowerThan', {
            depth: units.say(fill.depth, 'length'),
            recorded: units.say(recorded(build.sheet!, 'pickup.oilDepth')!.value, 'length'),
          })
        }}</b>
        {{ t('pickupOil.oneOfTheFiguresIsOut') }}</JudgementLine
      >
    </section>
  </div>
</template>
