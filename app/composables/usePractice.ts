import { v4 as uuid } from 'uuid'
import type { Done, Spent } from '#core/practice/exercise'
import type { PracticeResult } from '#core/practice/result'
import { codeOf, type PracticeTask } from '#core/practice/task'
import { newSheet } from '#core/record/layouts'
import type { Sheet } from '#core/record/schema'
import type { CheckKey } from '#core/trace/checks'
import type { Cause, Moment } from '#core/trace/vocabulary'
import { ask } from '~/sync/ask'
import { remember, rememberedJson } from '~/sync/browserStorage'
import { useSync } from '~/sync/useSync'
import { t } from '~/words/of/practice'

/** An exercise as this browser remembers it: what is to be found lies in its task, and is drawn anew from it. */
interface Remembered {
  task: PracticeTask
  /** An engine of the shop's, of which a copy is practised on. */
  build?: string
  engine: string
  done: { done: Done; spent: Spent }[]
  helped: number
  given?: boolean
}
const KEY = 'uldo.practice'

/** Sends what somebody did on the bench to be kept. */
export function keepPractice(result: PracticeResult): Promise<unknown> {
  const id = uuid()
  return useSync().enter({
    key: id,
    kind: 'practice',
    document: 'practice',
    label: t('practice.practiceBench'),
    url: '/api/practice',
    body: { id, who: usePerson().who || 'Someone', result },
  })
}

/** The exercise under way at the practice bench; a reload goes on with it. */
export function usePractice() {
  const kept = ref(rememberedJson<Remembered | undefined>(KEY, undefined))
  const sheet = shallowRef<Sheet>()
  const said = shallowRef<Awaited<ReturnType<ReturnType<typeof useSlowWorker>['exercise']>>>()
  const end = shallowRef<Awaited<ReturnType<ReturnType<typeof useSlowWorker>['exerciseEnd']>>>()
  const failed = ref('')
  const busy = ref(false)
  watch(kept, (now) => remember(KEY, JSON.stringify(now ?? null)), { deep: true })

  /** As a worker takes it: none of Vue's own. */
  const plain = <T>(of: T) => JSON.parse(JSON.stringify(of)) as T
  async function at<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    failed.value = ''
    try {
      return await work()
    } catch (error) {
      failed.value = (error as Error).message
      return undefined
    } finally {
      busy.value = false
    }
  }
  /** The engine is prepared, and what is said of it stands. */
  const open = () =>
    at(async () => {
      const { task, build } = kept.value!
      sheet.value = build
        ? (await ask('GET /api/builds/:build', { at: { build } })).sheet
        : newSheet(task.preset, kept.value!.engine, kept.value!.engine)
      said.value = await useSlowWorker().exercise(sheet.value, plain(kept.value!.task))
      if (found.value || kept.value!.given) await finish()
    })
  const begin = (task: PracticeTask, engine: string, build?: string) => {
    kept.value = { task, engine, done: [], helped: 0, ...(build ? { build } : {}) }
    return open()
  }
  const found = computed(() => kept.value?.done.some(({ done }) => 'repair' in done && done.right) ?? false)
  const finish = async () => {
    end.value = await useSlowWorker().exerciseEnd(
      sheet.value!,
      plain(kept.value!.task),
      plain(kept.value!.done.map(({ done }) => done)),
      kept.value!.helped,
    )
  }
  const note = (made: { done: Done; spent: Spent }) => kept.value!.done.push(made)
  async function keep() {
    const { task, engine, helped, build, done } = kept.value!
    const { score, hidden, shortestTally } = end.value!
    await keepPractice({
      kind: 'bench',
      engine,
      ...(build ? {} : { code: codeOf(task) }),
      hardness: task.hardness,
      cause: hidden,
      found: score.found,
      points: score.points,
      minutes: score.minutes,
      shortest: shortestTally.minutes,
      parts: score.parts,
      dry: score.dry,
      checks: done.filter(({ done: each }) => 'check' in each).length,
      wrongRepairs: score.wrongRepairs,
      helped,
    })
  }
  if (kept.value) void open()

  return {
    kept,
    sheet,
    said,
    end,
    failed,
    busy,
    found,
    open,
    begin,
    look: (check: CheckKey) =>
      at(async () => note(await useSlowWorker().exerciseLook(sheet.value!, plain(kept.value!.task), check))),
    run: (moment: Moment) =>
      at(async () => note(await useSlowWorker().exerciseRun(sheet.value!, plain(kept.value!.task), moment))),
    repair: (cause: Cause) =>
      at(async () => {
        note(await useSlowWorker().exerciseRepair(sheet.value!, plain(kept.value!.task), cause))
        if (!found.value) return
        await finish()
        await keep()
      }),
    help: () => kept.value!.helped++,
    giveUp: () =>
      at(async () => {
        kept.value!.given = true
        await finish()
        await keep()
      }),
    /** Puts the exercise by, finished or not. */
    leave: () => {
      kept.value = undefined
      sheet.value = undefined
      said.value = undefined
      end.value = undefined
      failed.value = ''
    },
  }
}
export type Practice = ReturnType<typeof usePractice>
