import { type Remote, wrap } from 'comlink'
import type { ModelWorker } from '~/workers/model.worker'

let remote: Remote<ModelWorker> | undefined

/** The model in its worker; one for the whole page. */
export function useEngineModel(): Remote<ModelWorker> {
  remote ??= wrap<ModelWorker>(new Worker(new URL('../workers/model.worker.ts', import.meta.url), { type: 'module', name: 'model' }))
  return remote
}

/**
 * A value that the model gives for the open sheet, kept current: asked again at every change, the newest answer wins, and
 * while one question is out only the last of the later ones is asked.
 */
export function useAnswer<T>(ask: (model: Remote<ModelWorker>) => Promise<T> | undefined, changes: () => unknown) {
  const answer = shallowRef<T>()
  let busy = false
  let again = false
  async function run() {
    if (busy) {
      again = true
      return
    }
    busy = true
    try {
      const asked = ask(useEngineModel())
      answer.value = asked === undefined ? undefined : await asked
    } catch (error) {
      answer.value = undefined
      console.warn('The model could not answer:', (error as Error).message)
    } finally {
      busy = false
    }
    if (again) {
      again = false
      void run()
    }
  }
  watch(changes, run, { immediate: true })
  return answer
}
