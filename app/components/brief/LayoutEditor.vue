<script setup lang="ts">
import { t } from '~/words/of/brief'
import { zodResolver } from '@primevue/forms/resolvers/zod'
import { evenFeed, checkLayout, relayout } from '#core/engine/relayout'
import { PRESETS } from '#core/record/layouts'
import { Layout } from '#core/record/schema'
import { CHOICES, COUNTS, KINDS, SWITCHES } from './layoutFields'

/** A layout for what no preset fits: counts, which main feeds which rod, what hangs on the circuit; kept for the next engine if wanted. */
const emit = defineEmits<{ close: [] }>()
const build = useBuild()
const shop = useShop()
const draft = reactive<Layout>(copy(build.sheet!.layout))
const counts = reactive<Record<string, string>>({})
/** A plain copy, free of Vue's watching. */
function copy(layout: Layout): Layout {
  return JSON.parse(JSON.stringify(layout)) as Layout
}
const problems = computed<Record<string, string>>(() => {
  const checked = checkLayout(copy(draft))
  return checked.ok ? {} : Object.fromEntries(checked.problems.map(({ path, message }) => [path, message]))
})
const wrong = (field: string) =>
  counts[field] !== undefined && !/^\d+$/.test(counts[field].trim())
    ? t('layoutEditor.aWholeNumberIsWanted')
    : problems.value[field]
const blocked = computed(() => Object.keys(problems.value).length > 0 || COUNTS.some(([field]) => wrong(field)))
function setCount(field: (typeof COUNTS)[number][0], text: string) {
  counts[field] = text
  if (!/^\d+$/.test(text.trim())) return
  draft[field] = Number(text)
  if ((field === 'cylinders' || field === 'mains') && draft.cylinders >= 1 && draft.mains >= 1)
    draft.feed = evenFeed(Math.min(16, draft.cylinders), Math.min(17, draft.mains))
}
function take(layout: Layout) {
  Object.assign(draft, copy(layout))
  for (const [field] of COUNTS) counts[field] = String(draft[field])
}
const known = computed(() => [
  { value: 'now', words: t('layoutEditor.noChange') },
  ...shop.house.layouts.map(({ name }, i) => ({ value: `shop.${i}`, words: name })),
  ...Object.entries(PRESETS).map(([key, { title }]) => ({ value: key, words: title })),
])
const from = ref('now')
function begin(choice: string) {
  from.value = choice
  const own = /^shop\.(\d+)$/.exec(choice)
  if (own) take(shop.house.layouts[Number(own[1])].layout)
  else take(choice === 'now' ? build.sheet!.layout : { preset: choice, ...PRESETS[choice].layout })
}
/** What was recorded and would have no place any more. */
const lost = computed(() => (blocked.value ? 0 : relayout(build.sheet!, copy(draft)).length - 1))
/** The draft as a whole is what is judged, by the record's own schema. */
const byLayout = zodResolver(Layout)
const resolver = () => byLayout({ values: copy(draft), names: [] } as never)
async function use({ valid }: { valid: boolean }) {
  if (!valid || blocked.value) return
  await build.change(relayout(build.sheet!, copy(draft)), t('layoutEditor.layout'), t('layoutEditor.anotherLayout'))
  emit('close')
}
const name = ref('')
const kept = ref('')
async function keep() {
  const title = name.value.trim()
  if (!title) return void (kept.value = t('layoutEditor.giveTheLayoutAName'))
  const done = await shop.save((house) => {
    house.layouts = [
      ...house.layouts.filter((each) => each.name !== title),
      { name: title, layout: { ...copy(draft), preset: 'own' } },
    ]
  })
  kept.value = done ? t('layoutEditor.keptAsItIsOfferedFor', { title }) : (shop.problem ?? '')
}
</script>

<template>
  <Form class="editor" :aria-label="t('layoutEditor.layout')" :resolver="resolver" @submit="use">
    <div class="columns">
      <div>
        <div class="row">
          <span class="what">{{ t('layoutEditor.beginWith') }}</span><ChoiceField
            :label="t('layoutEditor.beginWith')"
            :value="from"
            :options="known"
            @choose="begin"
          />
        </div>
        <div class="row">
          <span class="what">{{ t('layoutEditor.kind') }}</span><ChoiceField
            :label="t('layoutEditor.kindOfEngine')"
            :value="draft.kind"
            :options="KINDS"
            @choose="draft.kind = $event"
          />
        </div>
        <label v-for="[field, title] in COUNTS" :key="field" class="row"
          ><span class="what"
            >{{ title }}<span v-if="wrong(field)" class="wrong" role="alert">{{ wrong(field) }}</span></span
          >
          <InputText
            :model-value="counts[field] ?? String(draft[field])"
            inputmode="numeric"
            :aria-label="title"
            :aria-invalid="!!wrong(field)"
            @update:model-value="setCount(field, String($event))"
        /></label>
      </div>
      <div>
        <div v-for="[field, title, options] in CHOICES" :key="field" class="row">
          <span class="what"
            >{{ title }}<span v-if="problems[field]" class="wrong" role="alert">{{ problems[field] }}</span></span
          ><ChoiceField
            :label="title"
            :value="draft[field] as string"
            :options="options"
            @choose="Object.assign(draft, { [field]: $event })"
          />
        </div>
        <div v-for="[field, title] in SWITCHES" :key="field" class="row">
          <TickBox :value="draft[field]" @tick="draft[field] = $event"
            >{{ title }}<span v-if="problems[field]" class="wrong" role="alert">{{ problems[field] }}</span></TickBox
          >
        </div>
      </div>
    </div>
    <fieldset class="feed">
      <legend>{{ t('layoutEditor.whichMainFeedsEachRod') }}</legend>
      <label v-for="(_, i) in draft.feed" :key="i"
        ><span class="quiet">{{ t('layoutEditor.rod', { i: i + 1 }) }}</span
        ><InputNumber
          :model-value="draft.feed[i]"
          :max-fraction-digits="0"
          :use-grouping="false"
          :aria-label="t('layoutEditor.mainThatFeedsRod', { i: i + 1 })"
          :invalid="!!problems[`feed/${i}`]"
          @input="draft.feed[i] = Number($event.value)"
      /></label>
    </fieldset>
    <p
      v-for="[path, message] in Object.entries(problems).filter(([own]) => own.startsWith('feed'))"
      :key="path"
      class="wrong"
      role="alert"
    >
      {{ message }}
    </p>
    <p v-if="lost > 0" class="quiet">
      {{ t('layoutEditor.recordedNoPlaceInThisLayout', { lost }, lost) }}
    </p>
    <div class="actions end">
      <Button type="submit" :disabled="blocked">{{ t('layoutEditor.useThisLayout') }}</Button><Button
        type="button"
        variant="outlined"
        @click="emit('close')"
        >{{ t('layoutEditor.leaveAsItWas') }}</Button
      >
      <span class="gap" /><InputText
        v-model="name"
        maxlength="80"
        :placeholder="t('layoutEditor.nameForTheShop')"
        :aria-label="t('layoutEditor.nameOfTheLayout')"
      /><Button type="button" variant="outlined" :disabled="blocked" @click="keep">{{
        t('layoutEditor.keepForTheNextEngine')
      }}</Button>
    </div>
    <p v-if="kept" class="quiet" role="status">{{ kept }}</p>
  </Form>
</template>

<style scoped>
.editor {
  border-top: 3px solid var(--petrol);
  border-bottom: 1px solid var(--rule);
  padding: 10px 0 16px;
  margin: 8px 0 18px;
}
.row .p-inputtext {
  width: 92px;
  height: 44px;
  font-size: 18px;
  text-align: right;
  font-family: var(--mono);
}
.feed {
  border: 0;
  padding: 12px 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
}
.feed legend {
  font-weight: 700;
  font-stretch: 88%;
  padding: 0 0 6px;
}
.feed label {
  display: flex;
  align-items: center;
  gap: 6px;
}
.feed :deep(input) {
  width: 60px;
  height: 44px;
  text-align: right;
  font-size: 18px;
  font-family: var(--mono);
  border: 1px solid var(--field);
  border-radius: 3px;
  background: var(--sheet);
  padding: 0 6px;
}
.wrong {
  color: var(--stop);
  display: block;
}
.end {
  align-items: center;
  margin-top: 10px;
}
.gap {
  flex: 1;
}
.end .p-inputtext {
  height: 44px;
  width: 190px;
  font-size: 16px;
}
</style>
