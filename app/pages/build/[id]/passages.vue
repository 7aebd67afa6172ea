<script setup lang="ts">
import { recorded } from '#core/engine/values'
import { inspectionsOf, passagesOf } from '#core/engine/catalogue'
import { findingOf } from '#core/engine/inspections'
import { limitOf } from '#core/house/makerLimits'

const build = useBuild()
const units = useUnits()
const route = useRoute()
const router = useRouter()
const items = computed(() => {
  const inspections = new Map(inspectionsOf(build.sheet!.layout).map((item) => [item.key, item]))
  return passagesOf(build.sheet!.layout).map((item, i) => ({
    item,
    number: i + 1,
    inspection: inspections.get(item.key)!,
    finding: findingOf(build.sheet!, inspections.get(item.key)!),
  }))
})
/** The one looked at: named in the address, else the first that is open. */
const chosen = computed(
  () =>
    items.value.find(({ item }) => item.key === `passage.${String(route.query.at ?? '')}`) ??
    items.value.find(({ finding }) => !finding) ??
    items.value[0],
)
const look = (key: string) => router.replace({ query: { at: key.slice('passage.'.length) } })
const settled = useSettled(() => build.sheet)
const { value: effects } = useAnswer(
  (_, slow) => (settled.value ? slow().passages(settled.value) : undefined),
  () => settled.value,
)
const told = computed(() =>
  items.value.filter(({ finding }) => finding?.verdict === 'stop' || finding?.verdict === 'watch'),
)
const housings = computed(() =>
  (['filter', 'cooler'] as const).flatMap((housing) => {
    const gap = recorded(build.sheet!, `passage.${housing}Gap`)?.value
    const { value: most, source } = limitOf(build.sheet!, 'passage.housingGap')
    return gap === undefined ? [] : [{ housing, gap, most, source, shim: Math.max(0, gap - 0.5 * most) }]
  }),
)
const p = (value: number) => units.say(value, 'pressure', units.fine)
/** What a wrong one does to hot idle, in words, as the model says. */
function costs(key: string, finding: string): string {
  const found = effects.value?.effects.find((each) => each.key === key && each.finding === finding)
  return found
    ? `Idle hot would read ${p(found.states.idleHot.pressure)}, working hot ${p(found.states.workingHot.pressure)}.`
    : ''
}
</script>

<template>
  <div>
    <StationHead station="passages" title="Passages"
      >Walk the circuit: every plug, jet, valve and line, and who fitted it. A plug left out inside shows no
      leak.</StationHead
    >
    <RouteDrawing :items="items" :chosen="chosen.item.key" @look="look" />
    <div class="walk">
      <ol aria-label="Along the oil’s way">
        <li v-for="each in items" :key="each.item.key">
          <button
            type="button"
            :class="{ here: each === chosen }"
            :aria-current="each === chosen || undefined"
            :data-passage="each.item.key"
            @click="look(each.item.key)"
          >
            <span class="number mono" :class="each.finding?.verdict">{{ each.number }}</span><span>{{
              each.item.label
            }}</span
            ><span class="state" :class="each.finding?.verdict ?? 'open'">{{ each.finding?.words ?? 'open' }}</span>
          </button>
        </li>
      </ol>
      <PassagePanel :key="chosen.item.key" :item="chosen.item" :inspection="chosen.inspection" :effects="effects" />
    </div>
    <section aria-label="Judgement" class="block">
      <JudgementLine v-for="each in told" :key="each.item.key" :verdict="each.finding!.verdict"
        ><b>{{ each.item.label.replace(/,.*/, '') }}: {{ each.finding!.words }}.</b> {{ each.finding!.action }}
        {{ each.item.kind === 'bypass' ? costs(each.item.key, each.finding!.value) : '' }}</JudgementLine
      >
      <JudgementLine v-for="each in housings" :key="each.housing" :verdict="each.gap > each.most ? 'stop' : 'pass'"
        ><b
          >{{ each.housing === 'filter' ? 'Filter' : 'Cooler' }} housing stands off by
          {{ units.say(each.gap, 'clearance') }}, {{ each.source === 'maker' ? 'maker’s limit' : 'house mark' }}
          {{ units.say(each.most, 'clearance') }}.</b
        >
        {{
          each.gap > each.most
            ? `Shim it by ${units.say(each.shim, 'clearance')}, or fit the spacer of its form; oil the seals so that they do not roll.`
            : 'The seal bridges it.'
        }}</JudgementLine
      >
    </section>
    <CautionNote
      >Drive no plug or jet with the gallery open above the bearings: chips and sealer fall in. Sender adaptors strip
      easily; do not overtighten.</CautionNote
    >
  </div>
</template>

<style scoped>
.walk {
  display: grid;
  grid-template-columns: minmax(240px, 4fr) minmax(0, 7fr);
  gap: 22px;
  margin-top: 10px;
  align-items: start;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  display: grid;
  grid-template-columns: 30px 1fr auto;
  gap: 8px;
  align-items: center;
  width: 100%;
  min-height: 44px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  text-align: left;
  cursor: pointer;
  padding: 2px 6px 2px 0;
  line-height: 1.25;
}
li button:hover,
.here {
  background: var(--petrol-wash) !important;
}
.here {
  box-shadow: inset 3px 0 0 var(--petrol);
}
.number {
  width: 26px;
  height: 26px;
  display: grid;
  place-items: center;
  border: 1.5px dashed var(--field);
  border-radius: 50%;
  font-size: 13px;
  margin-left: 6px;
}
.number.pass {
  border: 1.5px solid var(--oil);
  background: var(--oil);
  color: var(--sheet);
}
.number.stop {
  border: 1.5px solid var(--stop);
  border-radius: 0;
  background: var(--stop);
  color: var(--sheet);
}
.state {
  color: var(--quiet);
  white-space: nowrap;
}
.state.pass {
  color: var(--pass);
}
.state.stop {
  color: var(--stop);
  font-weight: 650;
}
@media (max-width: 900px) {
  .walk {
    grid-template-columns: 1fr;
  }
}
</style>
