import { t } from '~/words/of/frame'
import { type Remote, wrap } from 'comlink'
import type { SightWorker } from '~/workers/sight.worker.ts'
import type { SoundWorker } from '~/workers/sound.worker.ts'
import type { SlowWorker } from '~/workers/slow.worker.ts'
import type { PaperWriter } from '~/workers/paper.worker'
import type { ModelWorker } from '~/workers/model.worker'

/** A worker, and what is asked of it: a question to one that does not load, breaks off or is ended fails, and never waits for ever. */
interface Asked<T> {
  remote: Remote<T>
  end: (reason: string) => void
}

function open<T>(worker: Worker, ended: () => void, broke = t('useEngineModel.theModelDidNotLoadOr')): Asked<T> {
  let fail: (error: Error) => void
  const broken = new Promise<never>((_, reject) => (fail = reject))
  broken.catch(ended)
  const end = (reason: string) => {
    worker.terminate()
    fail(new Error(reason))
  }
  worker.addEventListener('error', () => end(broke))
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
let slow: Asked<SlowWorker> | undefined
let writer: Asked<PaperWriter> | undefined
let sight: Asked<SightWorker> | undefined
let sound: Asked<SoundWorker> | undefined

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
export function useSlowWorker(): Remote<SlowWorker> {
  slow ??= open<SlowWorker>(
    new Worker(new URL('../workers/slow.worker.ts', import.meta.url), { type: 'module', name: 'slow' }),
    () => (slow = undefined),
  )
  return slow.remote
}

/** What writes papers as PDF; started when first asked, since it is as large as all of a first screen. */
export function usePaperWriter(): Remote<PaperWriter> {
  writer ??= open<PaperWriter>(
    new Worker(new URL('../workers/paper.worker.ts', import.meta.url), { type: 'module', name: 'papers' }),
    () => (writer = undefined),
    t('useEngineModel.whatWritesDidNotLoad'),
  )
  return writer.remote
}

/** What measures in pictures; started when first asked. */
export function useSightWorker(): Remote<SightWorker> {
  sight ??= open<SightWorker>(
    new Worker(new URL('../workers/sight.worker.ts', import.meta.url), { type: 'module', name: 'sight' }),
    () => (sight = undefined),
    t('useEngineModel.whatMeasuresDidNotLoad'),
  )
  return sight.remote
}

/** What measures in sounds; started when first asked. */
export function useSoundWorker(): Remote<SoundWorker> {
  sound ??= open<SoundWorker>(
    new Worker(new URL('../workers/sound.worker.ts', import.meta.url), { type: 'module', name: 'sound' }),
    () => (sound = undefined),
    t('useEngineModel.whatMeasuresDidNotLoad'),
  )
  return sound.remote
}
