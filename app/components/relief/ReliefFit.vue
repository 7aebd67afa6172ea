<script setup lang="ts">
import { recorded } from '#core/engine/values'
import type { ValveName } from '#core/parts/reliefReadings'
import { checksOf } from '#core/engine/catalogue'
import { valveFit } from '#core/parts/reliefFit'
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
const FORMS = [
  { value: 'early', words: 'early' },
  { value: 'late', words: 'late' },
]
const housing = computed(() => build.sheet!.choices[`${valve}.housing`])
const body = computed(() => build.sheet!.choices[`${valve}.body`])
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
        <span class="what">Housing’s form</span
        ><SegmentChoice
          label="Housing’s form"
          :value="housing"
          :options="FORMS"
          @choose="build.choose(`${valve}.housing`, $event, 'Housing’s form')"
        />
      </div>
      <div class="row wide">
        <span class="what">Valve’s form</span
        ><SegmentChoice
          label="Valve’s form"
          :value="body"
          :options="FORMS"
          @choose="build.choose(`${valve}.body`, $event, 'Valve’s form')"
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
        v-for="field in ['reach', 'seatDepth', 'thread', 'tapped']"
        :key="field"
        :name="`${valve}.${field}`"
      />
    </section>
    <section>
      <h2>Fitted</h2>
      <CheckRow v-for="item in checks" :key="item.key" :item="item" />
      <ReadingRow :name="`${valve}.plugTorque`" />
      <JudgementLine v-for="fault in faults" :key="fault.about" verdict="stop"
        ><b
          >{{ fault.about.replace(/^./, (letter) => letter.toUpperCase()) }}: {{ units.say(fault.has, 'length') }},
          {{ units.say(fault.wants, 'length') }} {{ /reaches/.test(fault.about) ? 'are wanted' : 'are there' }}.</b
        >
        {{ fault.means }}</JudgementLine
      >
      <JudgementLine v-if="faults.length === 0 && measured" verdict="pass"
        >The nose comes down to its seat before the thread runs out.</JudgementLine
      >
      <JudgementLine v-if="housing && body && housing !== body" verdict="watch"
        ><b>A valve of the {{ body }} form in a housing of the {{ housing }}.</b> Thread and nose may differ: measure
        reach, seat, thread and tapping before it is screwed in.</JudgementLine
      >
    </section>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--stop);
}
</style>
