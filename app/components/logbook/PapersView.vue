<script setup lang="ts">
import { t } from '~/words/of/papers'
import { firstStartedAt } from '#core/start/breakIn'
import type { useStory } from '~/composables/useStory'
import { fileName, giveFile, svgText } from '~/composables/drawingFile'
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

const {
  value: answers,
  error,
  pending,
} = useAnswer(
  (model) => (build.sheet ? model.papers(build.sheet) : undefined),
  () => build.sheet,
)
const { value: clock, pending: clockPending } = useAnswer(
  (_model, slow) => (build.sheet && kind.value === 'card' ? slow().primeClock(build.sheet) : undefined),
  () => [build.sheet, kind.value],
)
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
const problem = ref('')
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
const page = useTemplateRef<HTMLElement>('page')
const writing = ref(false)
/** What stands there is of the record as it is now, and nothing of it is still being worked out. */
const ready = computed(() => paper.value !== undefined && !pending.value && !clockPending.value && !writing.value)
/** The page's own drawings, in the light scheme's colours of paper. */
async function drawings(): Promise<Record<string, string>> {
  const found = [...page.value!.querySelectorAll<HTMLElement>('[data-paper-drawing]')]
  const pairs = await Promise.all(
    found.map(async (figure) => {
      const svg = figure.querySelector('svg')
      return [figure.dataset.paperDrawing!, svg ? await svgText(svg, true) : ''] as const
    }),
  )
  return Object.fromEntries(pairs.filter(([, svg]) => svg !== ''))
}
async function givePdf() {
  problem.value = ''
  writing.value = true
  now.value = Date.now()
  try {
    const bytes = await usePaperWriter().pdf(
      JSON.parse(JSON.stringify(paper.value)) as Paper,
      await drawings(),
      t('papers.page', { number: '{number}', count: '{count}' }),
    )
    giveFile(
      `${fileName(sheet.value.name, paper.value!.title)}.pdf`,
      new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'application/pdf' }),
    )
  } catch (failure) {
    problem.value = t('papers.notWritten', { why: (failure as Error).message })
  } finally {
    writing.value = false
  }
}
const print = () => window.print()
</script>

<template>
  <section ref="page" data-testid="papers">
    <div class="tools">
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
      <Button type="button" :disabled="!ready" @click="givePdf">{{ t('papers.givePdf') }}</Button>
      <Button type="button" variant="outlined" :disabled="!ready" @click="print">{{ t('papers.print') }}</Button>
      <span class="quiet" role="status">{{ writing ? t('papers.making') : '' }}</span>
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="error" class="wrong" role="alert">{{ t('papers.notWorkedOut', { why: error }) }}</p>
    <p v-else-if="!paper" class="quiet" role="status">{{ t('papers.computing') }}</p>
    <PaperPage v-if="paper" :paper="paper" :run="kind === 'start' ? started : undefined" />
  </section>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 14px;
  align-items: end;
  margin-bottom: 18px;
}
@media print {
  .tools {
    display: none;
  }
}
</style>
