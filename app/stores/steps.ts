import { t } from '~/words/of/frame'
import type { Operation } from 'fast-json-patch'
import type { Proposal } from '#core/house/people'
import type { Sheet } from '#core/record/schema'
import { overlap } from '~/sync/kept'
import { applied, takenBack, valueAt } from '#core/record/patched'
import { sameValue } from '~/sync/patches'

/** A change of this page, to be taken back: the way back, what the change left at each path, and where it was made. */
export interface Step {
  label: string
  /** Page of the station it was made at. */
  page: string
  back: Operation[]
  left: { path: string; value: unknown }[]
}

/** What the last undo or redo did, or why it did nothing. */
export interface StepNews {
  words: string
  page: string
  /** The step lies at another station: it is done only when asked for once more. */
  ask?: 'undo' | 'redo'
  /** A change that was just written, with its undo beside it. */
  did?: boolean
}

/** What the steps of a page are taken of. */
interface StepParts {
  sheet: () => Sheet | undefined
  /** Changes that wait for a sign-off. */
  proposals: () => readonly Proposal[]
  enter: (patch: Operation[], label: string, reason: string) => Promise<unknown>
}

/** Undo and redo of the changes that this page made to its build: each a change of its own. */
export function makeSteps({ sheet, proposals, enter }: StepParts) {
  const undoable = shallowRef<Step[]>([])
  const redoable = shallowRef<Step[]>([])
  const stepNews = ref<StepNews>()

  /** What a patch does to the sheet and what would take it back, with the values that it leaves behind. */
  function stepOf(patch: Operation[], label: string): Step | undefined {
    const before = sheet()
    if (!before) return undefined
    const after = applied(before, patch)
    if (!after) return undefined
    const back = takenBack(before, patch)
    return { label, page: pageNow(), back, left: back.map(({ path }) => ({ path, value: valueAt(after, path) })) }
  }

  /** Notes a change before it is entered; false where it does not apply. */
  function note(patch: Operation[], label: string): boolean {
    const step = stepOf(patch, label)
    if (!step) return false
    undoable.value = [...undoable.value, step]
    redoable.value = []
    stepNews.value = { words: t('steps.written', { label }), page: step.page, did: true }
    return true
  }

  /**
   * Takes back this page's last change, as a change of its own. A step made at a station that is not on the screen is done only when asked for once more; what
   * somebody else has written there since is left alone.
   */
  const undo = (sure = false) => stepThrough(undoable, redoable, 'undo', sure)
  const redo = (sure = false) => stepThrough(redoable, undoable, 'redo', sure)

  async function stepThrough(from: Ref<Step[]>, to: Ref<Step[]>, word: 'undo' | 'redo', sure: boolean) {
    const step = from.value[from.value.length - 1]
    const now = sheet()
    if (!step || !now) return
    const done = word === 'undo' ? t('steps.undone') : t('steps.redone')
    if (step.page !== pageNow() && !sure) {
      stepNews.value = {
        words: t('steps.wasWrittenAtAnotherStation', { step: step.label }),
        page: step.page,
        ask: word,
      }
      return
    }
    from.value = from.value.slice(0, -1)
    const changed = step.left.find(({ path, value }) => !sameValue(valueAt(now, path), value))
    if (changed && proposals().some(({ patch }) => patch.some(({ path }) => overlap(path, changed.path)))) {
      stepNews.value = { words: t('steps.waitsForASignOffTake', { step: step.label }), page: step.page }
      return
    }
    if (changed) {
      stepNews.value = {
        words: t('steps.wasChangedBySomebodyElseSince', { step: step.label, done: done.toLowerCase() }),
        page: step.page,
      }
      return
    }
    const reverse = stepOf(step.back, step.label)
    if (reverse) to.value = [...to.value, { ...reverse, page: step.page }]
    stepNews.value = { words: `${done}: ${step.label}.`, page: step.page }
    await enter(step.back, word, word)
  }

  function forget() {
    undoable.value = []
    redoable.value = []
    stepNews.value = undefined
  }
  return { undoable, redoable, stepNews, note, undo, redo, forget }
}

/** Page of the station on the screen. */
const pageNow = () => location.pathname.split('/')[3] ?? ''
