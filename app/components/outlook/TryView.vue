<script setup lang="ts">
import { inSentence, named } from '~/words/speak'
import { figure } from '~/words/numbers'
import { t } from '~/words/of/outlook'
import { STATE_LABELS } from '#core/outlook/states'
import type { ShelfItem } from '#core/shelf/schema'
import { STATE_NAMES } from '#core/targets/targets'
import { triedPatch } from '~/composables/triedPatch'
import { MOST_TRIED, TRIED_INKS, type TriedDraft } from '~/composables/useTried'

/** A bench copy of the build: anything may be tried without touching the record, up to four set-ups side by side; one is adopted with its reason. */
const build = useBuild()
const units = useUnits()
const shelf = useShelf()
void shelf.load()
const { drafts, add, columns, itemOf, changeOf, sliders, triable, extra, others, options, price } = useTried()

/** The set-up under the hand; its results stay in view above while it is changed. */
const chosen = ref(drafts.value[0].name)
const draft = computed(() => drafts.value.find(({ name }) => name === chosen.value) ?? drafts.value[0])
function another() {
  add()
  chosen.value = drafts.value.at(-1)!.name
}
function drop(name: string) {
  drafts.value = drafts.value.filter((each) => each.name !== name)
}
const colourOf = (name: string) => `var(--${TRIED_INKS[columns.value.findIndex((each) => each.name === name)]})`
const reason = ref('')
const adopted = ref('')
async function adopt(draft: TriedDraft) {
  const parts = [draft.spring, draft.pump, draft.oil]
    .map(itemOf)
    .filter((item): item is ShelfItem => item !== undefined)
  const patch = triedPatch(build.sheet!, draft, changeOf(draft), itemOf)
  if (patch.length === 0) return void (adopted.value = t('tryView.nothingOfItCanBeWritten'))
  await build.change(
    patch,
    t('tryView.setUp', { name: draft.name }),
    reason.value.trim() || t('tryView.triedAs', { name: draft.name }),
    parts.map((item) => ({ item: item.id, move: 'reserve' as const, count: 1 })),
  )
  adopted.value = t('tryView.setUpIsWrittenToThe', {
    name: draft.name,
    count: parts.length > 0 ? t('tryView.itsPartsSetAsideOnThe') : '',
    mains: draft.mains || draft.rods ? t('tryView.itsClearancesAreNotChoose') : '',
  })
}

const PARTS = { spring: t('tryView.spring'), oil: t('tryView.oil'), pump: t('tryView.pump') }
</script>

<template>
  <div>
    <div class="found">
      <ResultTable
        :rows="columns"
        :label="t('tryView.setUpsTried')"
        :attributes="(column) => ({ 'data-tried': column.name })"
      >
        <Column :header="t('tryView.atTheGauge', { unit: units.unit('pressure').symbol })"
          ><template #body="{ data }"
            ><span class="key" :style="{ background: colourOf(data.name) }" />{{ data.name
            }}<span v-if="data.draft && price(data.draft)" class="under">{{
              t('tryView.parts', { price: figure(price(data.draft), 2) })
            }}</span></template
          ></Column
        ><Column v-for="state in STATE_NAMES" :key="state" :header="inSentence(STATE_LABELS[state])"
          ><template #body="{ data }"
            ><BandedFigure
              :class="data.found.states[state].verdict"
              :data-at="state"
              :value="data.found.states[state].pressure"
              :low="data.found.states[state].low"
              :high="data.found.states[state].high"
              dimension="pressure"
              :fine="units.fine" /></template></Column
        ><Column :header="t('tryView.drive', { unit: units.unit('power').symbol })"
          ><template #body="{ data }"
            ><BandedFigure
              data-at="power"
              :value="data.found.power.best"
              :low="data.found.power.low"
              :high="data.found.power.high"
              dimension="power" /></template></Column
        ><Column
          ><template #header
            ><span class="hidden-but-read">{{ t('tryView.adopt') }}</span></template
          ><template #body="{ data }"
            ><Button
              v-if="data.draft"
              type="button"
              :aria-label="t('tryView.adopt2', { name: data.name })"
              @click="adopt(data.draft)"
              >{{ t('tryView.adopt') }}</Button
            ></template
          ></Column
        >
      </ResultTable>
      <TriedChart v-if="columns.length > 0" :columns="columns" />
    </div>
    <p v-if="shelf.problem" class="wrong" role="alert">{{ shelf.problem }}</p>
    <p v-if="adopted" class="adopted" role="status">{{ adopted }}</p>
    <div class="under-hand">
      <SegmentChoice
        :label="t('tryView.setUpUnderTheHand')"
        :value="draft.name"
        :options="drafts.map(({ name }) => ({ value: name, words: name }))"
        @choose="chosen = $event ?? chosen"
      /><Button v-if="drafts.length < MOST_TRIED" type="button" variant="outlined" @click="another">{{
        t('tryView.another')
      }}</Button
      ><Button v-if="drafts.length > 1" type="button" variant="text" @click="drop(draft.name)">{{
        t('tryView.drop', { name: draft.name })
      }}</Button
      ><span class="quiet">{{ t('tryView.nothingHereTouchesTheRecord') }}</span>
    </div>
    <div class="columns">
      <section :aria-label="t('tryView.partsOf', { name: draft.name })">
        <div v-for="kind in ['spring', 'oil', 'pump'] as const" :key="kind" class="row">
          <span class="what">{{ PARTS[kind] }}</span><ChoiceField
            :label="`${draft.name}, ${PARTS[kind]}`"
            :value="draft[kind]"
            :options="options(kind)"
            @choose="draft[kind] = $event"
          />
        </div>
        <div class="row">
          <label class="what" for="adopting">{{ t('tryView.reasonForAdopting') }}</label><InputText
            id="adopting"
            v-model="reason"
            maxlength="200"
            :placeholder="t('tryView.why')"
          />
        </div>
      </section>
      <section :aria-label="t('tryView.sizesOf', { name: draft.name })">
        <TriedSlider
          v-for="slider in sliders"
          :key="slider.field"
          :from="slider.from"
          :to="slider.to"
          :step="slider.step"
          :dimension="slider.dimension"
          :words="named(slider.label)"
          :label="`${draft.name}, ${named(slider.label)}`"
          :now="slider.now"
          :value="draft[slider.field] ?? slider.now ?? 0"
          @slide="draft[slider.field] = $event"
        />
        <TriedSlider
          v-for="each in others"
          :key="each.key"
          :words="named(each.label)"
          :label="`${draft.name}, ${named(each.label)}`"
          :now="each.value"
          :value="draft.readings[each.key] ?? each.value"
          :from="each.from"
          :to="each.to"
          :step="(each.to - each.from) / 200"
          :dimension="each.dimension"
          @slide="draft.readings[each.key] = $event"
        />
        <ChoiceField
          :label="t('tryView.trySomethingElseToo')"
          quiet
          value="none"
          :options="[
            { value: 'none', words: t('tryView.somethingElseToo') },
            ...triable.map(({ key, label }) => ({ value: key, words: label })),
          ]"
          @choose="extra = [...extra, $event]"
        />
      </section>
    </div>
  </div>
</template>

<style scoped>
.found {
  position: sticky;
  top: -18px;
  z-index: 2;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule);
}
.key {
  display: inline-block;
  width: 14px;
  height: 4px;
  margin-right: 6px;
  vertical-align: middle;
}
.stop :deep(.big) {
  color: var(--stop);
}
.watch :deep(.big) {
  color: var(--watch);
}
.under-hand {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  padding: 12px 0 6px;
}
.p-inputtext {
  height: 44px;
}
.adopted {
  border-left: 6px solid var(--pass);
  padding: 6px 12px;
  margin: 8px 0;
}
.wrong {
  color: var(--stop);
}
@media (max-width: 760px) {
  .found :deep([role='img']) {
    display: none;
  }
  .found :deep(th),
  .found :deep(td) {
    padding-inline: 3px;
  }
  .found :deep(td:first-child),
  .found :deep(th:first-child) {
    max-width: 72px;
  }
}
</style>
