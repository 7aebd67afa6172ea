<script setup lang="ts">
import { t } from '~/words/of/papers'
import { firstStartedAt } from '#core/start/breakIn'
import { buildSheet } from '~/papers/buildSheet'
import { gaugeCard } from '~/papers/gaugeCard'
import type { Paper } from '~/papers/paper'
import { ask, Refused, refusedWords } from '~/sync/ask'
import type { GuestAnswer } from '~/sync/routes'
import { dateAndTimeOf, dateOf } from '~/words/dates'
import { said } from '~/words/speak'

/** What a customer sees by a link: one engine's gauge card and build sheet as its record stands, to read, print and take along; until the link ends. */
const route = useRoute()
const build = useBuild()
const KINDS = ['card', 'sheet'] as const
const TITLES = said(t, { card: 'papers.card', sheet: 'papers.sheet' })
const kind = ref<(typeof KINDS)[number]>('card')
const told = shallowRef<GuestAnswer>()
const refused = ref('')
/** Whether it is the server that says so, and not that nobody answers. */
const reached = ref(true)
const { answers, error, pending, clock } = usePaperAnswers(() => kind.value === 'card')
const now = ref(Date.now())
let ending: ReturnType<typeof setTimeout> | undefined

/** Longest that a timer waits, ms. */
const LONGEST = 2 ** 31 - 1
async function open() {
  clearTimeout(ending)
  refused.value = ''
  try {
    const answer = await ask('GET /api/guest', { secret: route.hash.slice(1) })
    useShop().stand(answer.house)
    build.stand(answer.sheet)
    told.value = answer
    now.value = Date.now()
    // What has ended is not left standing on a screen.
    ending = setTimeout(
      () => void open(),
      Math.min(LONGEST, Math.max(1000, Date.parse(answer.until) - Date.now() + 500)),
    )
  } catch (failure) {
    told.value = undefined
    build.close()
    reached.value = failure instanceof Refused && failure.reached
    refused.value = refusedWords(failure)
  }
}
watch(() => route.hash, open, { immediate: true })
onBeforeUnmount(() => {
  clearTimeout(ending)
  build.close()
})
usePageTitle(
  () => TITLES[kind.value],
  () => build.sheet?.name ?? '',
)

const paper = computed<Paper | undefined>(() => {
  const { sheet } = build
  const found = answers.value
  if (!told.value || !sheet || !found) return undefined
  const units = useUnits()
  const blocks = {
    sheet: () => buildSheet(sheet, found, undefined, units),
    card: () =>
      gaugeCard(
        sheet,
        found,
        {
          startedAt: firstStartedAt(sheet),
          primeGood: clock.value?.good,
          address: location.href,
          opens: t('guest.code', { until: dateOf(told.value!.until) }),
        },
        units,
      ),
  }
  return {
    title: TITLES[kind.value],
    of: t('papers.of', { name: sheet.name, engine: sheet.engine }),
    made: t('guest.made', { name: told.value.name, when: dateAndTimeOf(now.value) }),
    page: kind.value === 'card' ? 'card' : 'sheet',
    blocks: blocks[kind.value](),
  }
})
</script>

<template>
  <main class="guest">
    <header>
      <span class="mark"><img src="/mark.svg" alt="" width="22" height="22" /> {{ t('guest.uldo') }}</span>
      <p v-if="told" class="quiet" data-testid="guest-terms">
        {{ t('guest.terms', { name: told.name, who: told.madeBy, until: dateOf(told.until) }) }}
      </p>
    </header>
    <div v-if="refused" role="alert" class="refused">
      <h1>{{ t(reached ? 'guest.opensNothing' : 'guest.notReached') }}</h1>
      <p>{{ refused }}</p>
      <Button type="button" variant="outlined" @click="open">{{ t('guest.again') }}</Button>
    </div>
    <p v-else-if="!told" class="quiet" role="status">{{ t('guest.opening') }}</p>
    <template v-else-if="build.sheet">
      <h1>{{ build.sheet.name }}</h1>
      <PaperDesk :paper="paper" :of="build.sheet.name" :pending="pending" :error="error" @writes="now = Date.now()">
        <ChoiceField
          :label="t('papers.which')"
          :value="kind"
          :options="KINDS.map((each) => ({ value: each, words: TITLES[each] }))"
          @choose="kind = $event ?? 'card'"
        />
      </PaperDesk>
    </template>
  </main>
</template>

<style scoped>
.guest {
  max-width: 1000px;
  margin: 0 auto;
  padding: 16px 20px 60px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  align-items: center;
  justify-content: space-between;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 10px;
}
header p {
  margin: 0;
}
h1 {
  margin: 22px 0 14px;
}
.mark {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  font-weight: 700;
  font-size: 18px;
}
.refused {
  max-width: 560px;
}
.refused p {
  margin: 0 0 14px;
}
.guest :deep(.paper > p) {
  margin: 8px 0;
}
.guest :deep(.paper .results) {
  margin: 10px 0;
}
@media print {
  header,
  h1 {
    display: none;
  }
}
</style>
