import { type Remote, wrap } from 'comlink'
import { oneAtATime } from '~/composables/oneAtATime'
import type { FilmWorker } from '~/workers/film.worker'
import type { ModelWorker } from '~/workers/model.worker'

let remote: Remote<ModelWorker> | undefined

/** The model in its worker; one for the whole page. */
export function useEngineModel(): Remote<ModelWorker> {
  remote ??= wrap<ModelWorker>(new Worker(new URL('../workers/model.worker.ts', import.meta.url), { type: 'module', name: 'model' }))
  return remote
}

let films: Remote<FilmWorker> | undefined

/** Films, orbits and shell choices in a worker of their own, so that they never hold up a prediction; started when first asked. */
export function useFilmWorker(): Remote<FilmWorker> {
  films ??= wrap<FilmWorker>(new Worker(new URL('../workers/film.worker.ts', import.meta.url), { type: 'module', name: 'films' }))
  return films
}

/**
 * A value that the model gives for the open sheet, kept current: asked again at every change, the newest answer wins, and
 * while one question is out only the last of the later ones is asked.
 */
export function useAnswer<T>(ask: (model: Remote<ModelWorker>, films: () => Remote<FilmWorker>) => Promise<T> | undefined, changes: () => unknown) {
  const answer = shallowRef<T>()
  const run = oneAtATime(async () => {
    try {
      const asked = ask(useEngineModel(), useFilmWorker)
      answer.value = asked === undefined ? undefined : await asked
    } catch (error) {
      answer.value = undefined
      console.warn('The model could not answer:', (error as Error).message)
    }
  })
  watch(changes, run, { immediate: true })
  return answer
}
