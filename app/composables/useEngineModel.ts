import { type Remote, wrap } from 'comlink'
import { oneAtATime } from '~/composables/oneAtATime'
import type { FilmWorker } from '~/workers/film.worker'
import type { ModelWorker } from '~/workers/model.worker'

/** A worker, and what is asked of it: a question to one that does not load, breaks off or is ended fails, and never waits for ever. */
interface Asked<T> {
  remote: Remote<T>
  end: (reason: string) => void
}

function open<T>(worker: Worker, ended: () => void): Asked<T> {
  let fail: (error: Error) => void
  const broken = new Promise<never>((_, reject) => (fail = reject))
  broken.catch(ended)
  const end = (reason: string) => {
    worker.terminate()
    fail(new Error(reason))
  }
  worker.addEventListener('error', () => end('the model did not load, or broke off.'))
  const whole = wrap<T>(worker) as object
  const remote = new Proxy(whole, {
    get: (target, name) => {
      const found = Reflect.get(target, name) as unknown
      return typeof name === 'symbol' || name === 'then'
        ? found
        : (...given: unknown[]) =>
            Promise.race([(found as (...given: unknown[]) => Promise<unknown>)(...given), broken])
    },
  })
  return { remote: remote as Remote<T>, end }
}

let model: Asked<ModelWorker> | undefined
let films: Asked<FilmWorker> | undefined

/** The model in its worker; one for the whole page, a new one where it has ended. */
export function useEngineModel(): Remote<ModelWorker> {
  model ??= open<ModelWorker>(
    new Worker(new URL('../workers/model.worker.ts', import.meta.url), { type: 'module', name: 'model' }),
    () => (model = undefined),
  )
  return model.remote
}

/** Ends a model that does not answer: what was asked of it fails, and the next question goes to a new one. */
export const endModel = (reason: string) => model?.end(reason)

/** Films, orbits and shell choices in a worker of their own, so that they never hold up a prediction; started when first asked. */
export function useFilmWorker(): Remote<FilmWorker> {
  films ??= open<FilmWorker>(
    new Worker(new URL('../workers/film.worker.ts', import.meta.url), { type: 'module', name: 'films' }),
    () => (films = undefined),
  )
  return films.remote
}

/**
 * A value that the model gives for the open sheet, kept current: asked again at every change, the newest answer wins, and
 * while one question is out only the last of the later ones is asked.
 */
export function useAnswer<T>(
  ask: (model: Remote<ModelWorker>, films: () => Remote<FilmWorker>) => Promise<T> | undefined,
  changes: () => unknown,
) {
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
