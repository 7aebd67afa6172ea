<script setup lang="ts">
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
const WORDS: Record<ValveForm, string> = { loose: 'loose piston', early: 'one piece, early', late: 'one piece, late' }
const FORMS = [
  { value: '', words: 'not looked at yet' },
  ...VALVE_FORMS.map((value) => ({ value, words: WORDS[value] })),
]
const SLEEVES = [
  { value: 'in', words: 'steel sleeve in' },
  { value: 'none', words: 'none' },
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
  await build.change(valvePatch(build.sheet!, valve, item), `Relief valve ${item.label}`, 'taken from the shelf', [
    { item: id, move: 'take', count: 1 },
  ])
}
const measured = computed(() =>
  (['reach', 'seatDepth'] as const).every((field) => recorded(build.sheet!, `${valve}.${field}`)),
)
</script>

<template>
  <div class="columns">
    <section>
      <h2>Housing and valve</h2>
      <div class="row wide">
        <span class="what">Housing made for</span
        ><ChoiceField
          label="Housing made for"
          :value="housing ?? ''"
          :options="FORMS"
          @choose="build.choose(`${valve}.housing`, $event || undefined, 'Housing made for')"
        />
      </div>
      <div class="row wide">
        <span class="what">Valve</span
        ><ChoiceField
          label="Valve"
          :value="body ?? ''"
          :options="FORMS"
          @choose="build.choose(`${valve}.body`, $event || undefined, 'Valve')"
        />
      </div>
      <div class="row wide">
        <span class="what">Sleeve in the block</span
        ><SegmentChoice
          label="Sleeve in the block"
          :value="sleeve"
          :options="SLEEVES"
          @choose="build.choose(`${valve}.sleeve`, $event, 'Sleeve in the block')"
        />
      </div>
      <div v-if="valves.length > 0" class="row wide">
        <span class="what">From the shelf</span
        ><ChoiceField
          label="Relief valve from the shelf"
          value="none"
          :options="[
            { value: 'none', words: 'take one' },
            ...valves.map((item) => ({ value: item.id, words: `${item.label}, ${item.count - item.reserved} free` })),
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
      <h2>Fitted</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <InspectRow v-for="item in looked" :key="item.key" :item="item" />
      <ReadingRow :name="`${valve}.plugTorque`" />
      <JudgementLine v-for="fault in faults" :key="fault.about" verdict="stop"
        ><b
          >{{ fault.about.replace(/^./, (letter) => letter.toUpperCase())
          }}<template v-if="fault.has !== undefined && fault.wants !== undefined"
            >: {{ units.say(fault.has, 'length') }} against {{ units.say(fault.wants, 'length') }}</template
          >.</b
        >
        {{ fault.means }}</JudgementLine
      >
      <JudgementLine v-if="faults.length === 0 && measured" verdict="pass"
        >The nose comes down to its seat before the thread runs out.</JudgementLine
      >
      <JudgementLine v-if="twoForms" verdict="watch"
        ><b>A valve of the {{ body }} form in a housing for the {{ housing }} one.</b> Thread and nose may differ:
        measure reach, seat, thread and tapping before it is screwed in.</JudgementLine
      >
    </section>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
