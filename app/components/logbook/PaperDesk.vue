<script setup lang="ts">
import { t } from '~/words/of/papers'
import type { Run } from '#core/run/run'
import { fileName, giveFile, svgText } from '~/composables/drawingFile'
import type { Paper } from '~/papers/paper'

/** A paper with what is done with it: written as a PDF, printed. Beside these stands what chooses it. */
const {
  paper,
  of,
  pending = false,
} = defineProps<{
  paper?: Paper
  /** What its file is named by. */
  of: string
  run?: Run
  /** Something of it is still being worked out. */
  pending?: boolean
  /** Why it could not be worked out. */
  error?: string
}>()
/** It is written now: what says when it was made says that. */
const emit = defineEmits<{ writes: [] }>()
const problem = ref('')
const page = useTemplateRef<HTMLElement>('page')
const writing = ref(false)
/** What stands there is of the record as it is now, and nothing of it is still being worked out. */
const ready = computed(() => paper !== undefined && !pending && !writing.value)
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
  emit('writes')
  try {
    await nextTick()
    const bytes = await usePaperWriter().pdf(
      JSON.parse(JSON.stringify(paper)) as Paper,
      await drawings(),
      t('papers.page', { number: '{number}', count: '{count}' }),
    )
    giveFile(
      `${fileName(of, paper!.title)}.pdf`,
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
      <slot />
      <Button type="button" :disabled="!ready" @click="givePdf">{{ t('papers.givePdf') }}</Button>
      <Button type="button" variant="outlined" :disabled="!ready" @click="print">{{ t('papers.print') }}</Button>
      <slot name="after" />
      <span class="quiet" role="status">{{ writing ? t('papers.making') : '' }}</span>
    </div>
    <slot name="under" />
    <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
    <p v-if="error" class="wrong" role="alert">{{ t('papers.notWorkedOut', { why: error }) }}</p>
    <p v-else-if="!paper" class="quiet" role="status">{{ t('papers.computing') }}</p>
    <PaperPage v-if="paper" :paper="paper" :run="run" />
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
