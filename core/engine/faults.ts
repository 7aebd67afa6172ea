import { ANY_PARTS, type EngineValues, type FaultKey } from '../parts/list'
import type { FaultEffect } from '../parts/part'
import type { Layout } from '../record/schema'

export type { FaultKey }

/** What can be wrong with an engine, its pump's prime or its instruments, as a change to the model. */
export interface Fault extends Omit<FaultEffect<EngineValues>, 'change'> {
  key: FaultKey
  /** What it is, in the trade's words, and where to look first. */
  words: string
  look: string
  /** Changes the engine's numbers in place. */
  change?: (values: EngineValues) => void
}

/** Every fault that a part can have, once each. */
export const FAULT_KEYS = [...new Set(ANY_PARTS.flatMap(({ faults = [] }) => faults.map(({ key }) => key)))] as [
  FaultKey,
  ...FaultKey[],
]

/** Whether an engine of a layout can have a fault. */
export const canHave = (key: FaultKey, layout: Layout): boolean => partsWith(key, layout).length > 0

/** Faults of that key, with the part of the layout that each is of. */
function partsWith(key: FaultKey, layout: Layout) {
  return ANY_PARTS.filter(({ fitted }) => fitted(layout)).flatMap(({ name, faults = [] }) =>
    faults.filter((fault) => fault.key === key && (fault.fits?.(layout) ?? true)).map((fault) => ({ name, fault })),
  )
}

/**
 * A fault of a layout, in every part that has it.
 *
 * @param severity from just felt, 0, to as bad as it comes, 1
 * @throws RangeError where no part of the layout can have it
 */
export function faultOf(key: FaultKey, layout: Layout, severity = 0.5): Fault {
  const found = partsWith(key, layout).map(({ name, fault: { words, look, effect } }) => ({
    name,
    words,
    look,
    effect: effect(severity, layout),
  }))
  if (found.length === 0) throw new RangeError(`fault: no part of this layout can have “${key}”`)
  const [{ words, look }] = found
  const effects = found.reduce((all, { effect }) => ({ ...all, ...effect }), {} as FaultEffect<never>)
  return {
    ...effects,
    key,
    words,
    look,
    ...(found.some(({ effect }) => effect.change)
      ? {
          change: (values: EngineValues) => {
            for (const { name, effect } of found) effect.change?.(values[name] as never)
          },
        }
      : { change: undefined }),
  }
}
