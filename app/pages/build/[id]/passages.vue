<script setup lang="ts">
import { named } from '~/words/speak'
import { t } from '~/words/of/passages'
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
const withKey = (key?: string) => items.value.find(({ item }) => item.key === key)
/**
 * The one looked at: the tapped at once, its address following after, so that a hand quicker than the address never
 * marks the one before; what the page came to by itself stays once it is found, since its sealing is entered after.
 */
const looked = ref<string>()
watch(
  () => route.query.at,
  (at) => at && (looked.value = `passage.${String(at)}`),
  { immediate: true },
)
const chosen = computed(() => withKey(looked.value) ?? items.value.find(({ finding }) => !finding) ?? items.value[0])
watch(
  () => chosen.value.item.key,
  (key) => (looked.value = key),
  { immediate: true },
)
function look(key: string) {
  looked.value = key
  void router.replace({ query: { at: key.slice('passage.'.length) } })
}
/** The next along the oil's way that nobody has looked at. */
const next = computed(() => {
  const at = items.value.indexOf(chosen.value)
  return [...items.value.slice(at + 1), ...items.value.slice(0, at)].find(({ finding }) => !finding)
})
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
    ? t('passages.idleHotWouldReadWorkingHot', {
        pressure: p(found.states.idleHot.pressure),
        pressure2: p(found.states.workingHot.pressure),
      })
    : ''
}
</script>

<template>
  <div>
    <StationHead station="passages" :title="t('passages.passages')">{{
      t('passages.walkTheCircuitEveryPlugJet')
    }}</StationHead>
    <RouteDrawing :items="items" :chosen="chosen.item.key" @look="look" />
    <div class="walk">
      <ol :aria-label="t('passages.alongTheOilsWay')">
        <li v-for="each in items" :key="each.item.key">
          <Button
            type="button"
            variant="text"
            :class="{ here: each === chosen }"
            :aria-current="each === chosen || undefined"
            :data-passage="each.item.key"
            @click="look(each.item.key)"
          >
            <span class="number mono" :class="each.finding?.verdict">{{ each.number }}</span><span>{{
              named(each.item.label)
            }}</span
            ><span class="state" :class="each.finding?.verdict ?? 'open'">{{
              named(each.finding?.words) ?? t('passages.notLookedAtYet')
            }}</span>
          </Button>
        </li>
      </ol>
      <div>
        <PassagePanel :key="chosen.item.key" :item="chosen.item" :inspection="chosen.inspection" :effects="effects" />
        <Button
          v-if="chosen.finding && next"
          type="button"
          variant="outlined"
          class="next"
          @click="look(next.item.key)"
          >{{ t('passages.next', { item: named(next.item.label) }) }}</Button
        >
      </div>
    </div>
    <section :aria-label="t('passages.judgement')" class="block">
      <JudgementLine v-for="each in told" :key="each.item.key" :verdict="each.finding!.verdict"
        ><b>{{ named(each.item.label).replace(/,.*/, '') }}: {{ named(each.finding!.words) }}.</b>
        {{ named(each.finding!.action) }}
        {{ each.item.kind === 'bypass' ? costs(each.item.key, each.finding!.value) : '' }}</JudgementLine
      >
      <JudgementLine v-for="each in housings" :key="each.housing" :verdict="each.gap > each.most ? 'stop' : 'pass'"
        ><b>{{
          t('passages.housingStandsOffBy', {
            housing: each.housing === 'filter' ? t('passages.filter') : t('passages.cooler'),
            gap: units.say(each.gap, 'clearance'),
            source: each.source === 'maker' ? t('passages.makersLimit') : t('passages.houseMark'),
            most: units.say(each.most, 'clearance'),
          })
        }}</b>
        {{
          each.gap > each.most
            ? t('passages.shimItByOrFitThe', { shim: units.say(each.shim, 'clearance') })
            : t('passages.theSealBridgesIt')
        }}</JudgementLine
      >
    </section>
    <CautionNote>{{ t('passages.driveNoPlugOrJetWith') }}</CautionNote>
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
.next {
  margin-top: 14px;
  min-height: 44px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li .p-button {
  color: var(--ink);
  font-weight: 400;
  border-radius: 0;
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
li .p-button:hover,
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
  font-size: 15px;
  margin-left: 6px;
}
.number.pass {
  border: 1.5px solid var(--oil);
  background: var(--oil-wash);
  color: var(--ink);
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
