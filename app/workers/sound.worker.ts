import { expose } from 'comlink'
import { type Ear, type EarEngine, type HeardSpeed, prepareEar, type Unheard } from '#core/sound/ear'

/** What is measured in sounds, apart from everything else: nothing of them is kept or leaves this device. */
let ear: Ear | undefined

const sound = {
  /** Begins to listen for an engine; what was heard of the shop before is forgotten. */
  open: (rate: number, engine: EarEngine) => void (ear = prepareEar(rate, engine)),
  take: (piece: Float32Array) => ear?.take(piece),
  /** What was heard last is the shop without the engine. */
  shop: () => ear?.shop(),
  listen: (about?: number): HeardSpeed | { unheard: Unheard } => ear?.listen(about) ?? { unheard: 'too-short' },
}
export type SoundWorker = typeof sound
expose(sound)
