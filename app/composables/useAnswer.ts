import type { Remote } from 'comlink'
import { oneAtATime } from '~/composables/oneAtATime'
import type { ModelWorker } from '~/workers/model.worker'
import type { SlowWorker } from '~/workers/slow.worker'

/** A question to the model that it could not answer, and how to put it again. */
export interface Unanswered {
  reason: string
  again: () => void
}

/** Questions of what is on the screen that have no answer: said by the frame, so that no view is left without a word. */
export const unanswered = shallowReactive(new Map<symbol, Unanswered>())

/**
 * A value that the model gives for the open sheet, kept current: asked again at every change, the newest answer wins, and
 * while one question is out only the last of the later ones is asked.
 *
 * @returns the answer, undefined while there is none; why there is none, where it failed; whether a question is out
 */
export function useAnswer<T>(
  ask: (model: Remote<ModelWorker>, slow: () => Remote<SlowWorker>) => Promise<T> | undefined,
  changes: () => unknown,
) {
  const value = shallowRef<T>()
  const error = ref('')
  const pending = ref(false)
  const name = Symbol('answer')
  const run = oneAtATime(async () => {
    try {
      const asked = ask(useEngineModel(), useSlowWorker)
      pending.value = asked !== undefined
      value.value = asked === undefined ? undefined : await asked
      error.value = ''
      unanswered.delete(name)
    } catch (failure) {
      value.value = undefined
      error.value = (failure as Error).message
      unanswered.set(name, { reason: error.value, again: () => void run() })
    } finally {
      pending.value = false
    }
  })
  watch(changes, run, { immediate: true })
  onScopeDispose(() => unanswered.delete(name))
  return { value, error, pending }
}
