<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/relief'
import { recorded } from '#core/engine/values'
import type { ValveName } from '#core/parts/reliefReadings'
import { checksOf, inspectionsOf } from '#core/engine/catalogue'
import { formsUnmeasured, VALVE_FORMS, type ValveForm, valveFit } from '#core/parts/reliefFit'
import { valvePatch } from '~/composables/shelfPatch'

/** Whether valve and housing are of one generation: nose and seat, thread and tapping, seals, torque. */
const { valve } = defineProps<{ valve: ValveName }>()
const build = useBuild()
const units = useUnits()
const KEYS = computed(() =>
  valve === 'relief'
    ? ['relief.seals', 'relief.byHand', 'relief.falls', 'relief.torque']
    : ['relief2.seals', 'relief2.falls'],
)
const checks = computed(() => checksOf(build.sheet!.layout).filter(({ key }) => KEYS.value.includes(key)))
const faults = computed(() => valveFit(build.sheet!, valve))
const WORDS: Record<ValveForm, string> = {
  loose: t('reliefFit.loosePiston'),
  early: t('reliefFit.onePieceEarly'),
  late: t('reliefFit.onePieceLate'),
}
const FORMS = [
  { value: '', words: t('reliefFit.notLookedAtYet') },
  ...VALVE_FORMS.map((value) => ({ value, words: WORDS[value] })),
]
const SLEEVES = [
  { value: 'in', words: t('reliefFit.steelSleeveIn') },
  { value: 'none', words: t('reliefFit.none') },
]
const housing = computed(() => build.sheet!.choices[`${valve}.housing`])
const body = computed(() => build.sheet!.choices[`${valve}.body`])
const sleeve = computed(() => build.sheet!.choices[`${valve}.sleeve`])
const twoForms = computed(() => formsUnmeasured(build.sheet!, valve))
const looked = computed(() => inspectionsOf(build.sheet!.layout).filter(({ key }) => key.startsWith(`${valve}.`)))
const shelf = useShelf()
void shelf.load()
const valves = computed(() => shelf.fitting('relief', build.sheet!.engine))
/** A whole valve from the shelf: what was measured of the one before goes with it. */
async function take(id: string) {
  const item = valves.value.find((each) => each.id === id)
  if (!item) return
  await build.change(
    valvePatch(build.sheet!, valve, item),
    t('reliefFit.reliefValve', { item: named(item.label) }),
    t('reliefFit.takenFromTheShelf'),
    [{ item: id, move: 'take', count: 1 }],
  )
}
const measured = computed(() =>
  (['reach', 'seatDepth'] as const).every((field) => recorded(build.sheet!, `${valve}.${field}`)),
)
</script>

<template>
  <div class="columns">
    <section>
      <h2>{{ t('reliefFit.housingAndValve') }}</h2>
      <div class="row wide">
        <span class="what">{{ t('reliefFit.housingMadeFor') }}</span><ChoiceField
          :label="t('reliefFit.housingMadeFor')"
          :value="housing ?? ''"
          :options="FORMS"
          @choose="build.choose(`${valve}.housing`, $event || undefined, t('reliefFit.housingMadeFor'))"
        />
      </div>
      <div class="row wide">
        <span class="what">{{ t('reliefFit.valve') }}</span><ChoiceField
          :label="t('reliefFit.valve')"
          :value="body ?? ''"
          :options="FORMS"
          @choose="build.choose(`${valve}.body`, $event || undefined, t('reliefFit.valve'))"
        />
      </div>
      <div class="row wide">
        <span class="what">{{ t('reliefFit.sleeveInTheBlock') }}</span><SegmentChoice
          :label="t('reliefFit.sleeveInTheBlock')"
          :value="sleeve"
          :options="SLEEVES"
          @choose="build.choose(`${valve}.sleeve`, $event, t('reliefFit.sleeveInTheBlock'))"
        />
      </div>
      <div v-if="valves.length > 0" class="row wide">
        <span class="what">{{ t('reliefFit.fromTheShelf') }}</span><ChoiceField
          :label="t('reliefFit.reliefValveFromTheShelf')"
          value="none"
          :options="[
            { value: 'none', words: t('reliefFit.takeOne') },
            ...valves.map((item) => ({
              value: item.id,
              words: t('reliefFit.free', { item: item.label, count: item.count - item.reserved }),
            })),
          ]"
          @choose="take"
        />
      </div>
      <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
      <ReadingRow
        v-for="field in ['reach', 'seatDepth', 'thread', 'tapped', 'lip', 'spacer']"
        :key="field"
        :name="`${valve}.${field}`"
      />
    </section>
    <section>
      <h2>{{ t('reliefFit.fitted') }}</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <InspectRow v-for="item in looked" :key="item.key" :item="item" />
      <ReadingRow :name="`${valve}.plugTorque`" />
      <JudgementLine v-for="fault in faults" :key="fault.about" verdict="stop"
        ><b
          >{{ named(fault.about).replace(/^./, (letter) => letter.toUpperCase())
          }}<template v-if="fault.has !== undefined && fault.wants !== undefined">{{
            t('reliefFit.against', { has: units.say(fault.has, 'length'), wants: units.say(fault.wants, 'length') })
          }}</template
          >.</b
        >
        {{ named(fault.means) }}</JudgementLine
      >
      <JudgementLine v-if="faults.length === 0 && measured" verdict="pass">{{
        t('reliefFit.theNoseComesDownToIts')
      }}</JudgementLine>
      <JudgementLine v-if="twoForms" verdict="watch"
        ><b>{{ t('reliefFit.aValveOfTheFormIn', { body, housing }) }}</b>
        {{ t('reliefFit.threadAndNoseMayDifferMeasure') }}</JudgementLine
      >
    </section>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
