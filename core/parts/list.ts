import { cam } from './cam'
import { coefficients } from './coefficients'
import { cooler } from './cooler'
import { crank } from './crank'
import { duty } from './duty'
import { filter } from './filter'
import { firstStart } from './firstStart'
import { gallery } from './gallery'
import { head } from './head'
import { lifters } from './lifters'
import { main } from './main'
import { oilLine } from './oilLine'
import type { Part } from './part'
import { pickup } from './pickup'
import { pinOil } from './pinOil'
import { pistonJets } from './pistonJets'
import { priming } from './priming'
import { pump } from './pump'
import { relief, relief2 } from './relief'
import { rockers } from './rockers'
import { rod } from './rod'
import { sender } from './sender'
import { stripDown } from './stripDown'
import { tensioner } from './tensioner'
import { timingJet } from './timingJet'
import { turbo } from './turbo'

/** Every part that an engine can have. A band's samples are drawn in this order: a new one goes before `coefficients`. */
export const PARTS = [
  duty,
  main,
  rod,
  crank,
  cam,
  pump,
  relief,
  relief2,
  pickup,
  gallery,
  lifters,
  rockers,
  timingJet,
  filter,
  cooler,
  turbo,
  pistonJets,
  tensioner,
  head,
  oilLine,
  pinOil,
  sender,
  coefficients,
  stripDown,
  priming,
  firstStart,
] as const

type Each = (typeof PARTS)[number]
/** The key of a reading of any part. */
export type ReadingKey = Each['readings'][number]['key']
/** What stands behind a prefix of keys: `FieldOf<'brief'>` is 'idleSpeed' and its like. */
export type FieldOf<Prefix extends string> = ReadingKey extends infer Key
  ? Key extends `${Prefix}.${infer Field}`
    ? Field
    : never
  : never
export type BriefField = FieldOf<'brief'>
/** The key of a fault of any part. */
export type FaultKey = NonNullable<Each['faults']>[number]['key']

/** All numbers that the circuit needs, by part, SI; what a layout lacks is not there. */
export type EngineValues = { [P in Each as P['name']]: ReturnType<P['values']> }

/** Parts as they are dealt with one by one, whatever their values. */
export const ANY_PARTS = PARTS as unknown as readonly Part<keyof EngineValues, never, ReadingKey, FaultKey>[]
