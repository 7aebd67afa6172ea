<script setup lang="ts">
import { t } from '~/words/of/papers'
import { firstStartedAt } from '#core/start/breakIn'
import type { useStory } from '~/composables/useStory'
import { buildSheet } from '~/papers/buildSheet'
import { gaugeCard } from '~/papers/gaugeCard'
import type { Paper } from '~/papers/paper'
import { startReport } from '~/papers/startReport'
import { askOrSeen } from '~/sync/lastSeen'
import { dateAndTimeOf } from '~/words/dates'
import { said } from '~/words/speak'

/** Papers that leave the shop: build sheet, report of a start, owner's gauge card; as a page to print and as a PDF. */
const { story } = defineProps<{ story: ReturnType<typeof useStory> }>()
const build = useBuild()
const units = useUnits()
const person = usePerson()
const route = useRoute()
const router = useRouter()
const KINDS = ['sheet', 'start', 'card'] as const
const TITLES = said(t, { sheet: 'papers.sheet', start: 'papers.start', card: 'papers.card' })
type Kind = (typeof KINDS)[number]
const kind = computed<Kind>(() => KINDS.find((each) => each === route.query.paper) ?? 'sheet')
const choose = (paper: string) => void router.replace({ query: { ...route.query, paper } })

const { answers, error, pending, clock } = usePaperAnswers(() => kind.value === 'card')
/** Whether the server has told what was written and run. */
const listed = computed(() => story.entries.value !== undefined && !story.seenBefore.value)
const starts = computed(() => story.runs.value.filter((run) => run.kind === 'start'))
/** The newest of the engine itself, unless another is asked for. */
const started = computed(
  () =>
    starts.value.find(({ id }) => id === route.query.run) ??
    starts.value.find(({ setup }) => setup.source !== 'rig') ??
    starts.value[0],
)
const address = ref(location.origin)
onMounted(async () => {
  const network = await askOrSeen('GET /api/network').catch(() => undefined)
  address.value = network?.answer.address ?? location.origin
})

/** When it was made: by the minute, so that it stands while it is looked at. */
const now = ref(Date.now())
const sheet = computed(() => build.sheet!)
const paper = computed<Paper | undefined>(() => {
  const found = answers.value
  if (!found) return undefined
  const blocks = {
    sheet: () => buildSheet(sheet.value, found, story.entries.value?.length, units),
    start: () => startReport(sheet.value, listed.value ? (started.value ?? 'none') : 'not-known', found, units),
    card: () =>
      gaugeCard(
        sheet.value,
        found,
        {
          startedAt: firstStartedAt(sheet.value),
          primeGood: clock.value?.good,
          address: `${address.value}/build/${build.id}/logbook?view=papers&paper=card`,
        },
        units,
      ),
  }
  const when = dateAndTimeOf(now.value)
  return {
    title: TITLES[kind.value],
    of: t('papers.of', { name: sheet.value.name, engine: sheet.value.engine }),
    made: person.who ? t('papers.made', { who: person.who, when }) : t('papers.madeByNobody', { when }),
    page: kind.value === 'card' ? 'card' : 'sheet',
    blocks: blocks[kind.value](),
  }
})
const linking = ref(false)
/** Who only looks hands nothing out, and nobody goes by the papers of a build to learn on. */
const links = computed(() => !build.sandbox && (useAccess().person?.role ?? 'owner') !== 'reader')
</script>

<template>
  <PaperDesk
    :paper="paper"
    :of="sheet.name"
    :run="kind === 'start' ? started : undefined"
    :pending="pending"
    :error="error"
    @writes="now = Date.now()"
  >
    <ChoiceField
      :label="t('papers.which')"
      :value="kind"
      :options="KINDS.map((each) => ({ value: each, words: TITLES[each] }))"
      @choose="choose($event ?? 'sheet')"
    />
    <ChoiceField
      v-if="kind === 'start' && starts.length > 1"
      :label="t('start.which')"
      :value="started?.id ?? ''"
      :options="starts.map(({ id, startedAt: at }) => ({ value: id, words: dateAndTimeOf(at) }))"
      @choose="router.replace({ query: { ...route.query, run: $event } })"
    />
    <template v-if="links" #after
      ><Button type="button" variant="outlined" :aria-expanded="linking" @click="linking = !linking">{{
        t('links.forCustomers')
      }}</Button></template
    >
    <template v-if="linking && links" #under><LazyPaperLinks :address="address" /></template>
  </PaperDesk>
</template>
