<script setup lang="ts">
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
  road: 'braking and bends',
  race: 'braking and bends',
  marine: 'heel and pitch',
  generator: 'a stand out of level',
  farm: 'slopes',
  aircraft: 'climb and bank',
}
const angle = computed(() => units.say(tilt.value, 'angle'))
const heavy = computed(() =>
  ['road', 'race'].includes(build.sheet!.use) ? `, ${brakingFor(tilt.value).toFixed(1)} g` : '',
)
</script>

<template>
  <div>
    <div class="columns">
      <section>
        <h2>Oil</h2>
        <ReadingRow name="pickup.oilDepth" /><ReadingRow name="pickup.capacity" /><ReadingRow
          name="pickup.filterVolume"
        />
        <template v-if="fill">
          <div class="row">
            <span class="what">Pour in, filter fitted dry</span
            ><span class="figure" data-testid="fill-dry"
              >{{ units.show(fill.dryFilter, 'volume')
              }}<span class="unit">{{ units.unit('volume').symbol }}</span></span
            >
          </div>
          <div v-if="fill.filledFilter !== fill.whole" class="row">
            <span class="what">Pour in, filter filled first</span
            ><span class="figure" data-testid="fill-filled"
              >{{ units.show(fill.filledFilter, 'volume')
              }}<span class="unit">{{ units.unit('volume').symbol }}</span></span
            >
          </div>
          <div v-if="fill.depth" class="row">
            <span class="what"
              >Stands over the floor before priming<span class="origin">passages still empty</span></span
            ><span class="figure"
              >{{ units.show(fill.depth, 'length') }}<span class="unit">{{ units.unit('length').symbol }}</span></span
            >
          </div>
        </template>
      </section>
      <section v-if="!dry">
        <h2>Sump</h2>
        <ReadingRow name="pickup.offset" /><ReadingRow name="pickup.sumpLength" /><ReadingRow name="pickup.sumpWidth" />
        <div class="row">
          <span class="what"
            >Surface tilts by<span class="origin">{{ build.sheet!.use }}: {{ CAUSES[build.sheet!.use] }}</span></span
          ><span class="figure"
            >{{ angle }}<span class="unit">{{ heavy }}</span></span
          >
        </div>
      </section>
    </div>
    <section class="block" aria-label="Slosh">
      <JudgementLine v-if="slosh" :verdict="slosh.verdict" data-testid="slosh"
        ><b
          >{{
            slosh.cover > 0
              ? `${units.say(slosh.cover, 'length')} of oil over the mouth with the surface at ${angle}`
              : `The mouth is out of the oil with the surface at ${angle}`
          }}, house mark {{ units.say(slosh.least, 'length') }}.</b
        >
        {{
          slosh.verdict === 'pass'
            ? 'It stays under at the low mark.'
            : 'A baffle round the pickup, more oil, or the pickup nearer to the middle.'
        }}</JudgementLine
      >
      <p v-else-if="!dry" class="quiet">
        Measure the oil’s depth at the low mark and the pickup’s place: the oil is then drawn as it tilts.
      </p>
      <JudgementLine
        v-if="
          fill &&
          fill.depth &&
          recorded(build.sheet!, 'pickup.oilDepth') &&
          fill.depth < recorded(build.sheet!, 'pickup.oilDepth')!.value
        "
        verdict="watch"
        ><b
          >The whole fill stands lower than the low mark: {{ units.say(fill.depth, 'length') }} of
          {{ units.say(recorded(build.sheet!, 'pickup.oilDepth')!.value, 'length') }}.</b
        >
        One of the figures is out: look at the dipstick, the capacity and the floor’s sizes.</JudgementLine
      >
    </section>
  </div>
</template>
