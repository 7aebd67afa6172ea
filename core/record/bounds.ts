import type { Dimension } from '../quantity/units'
import type { Quantity } from './quantity'

/** What a number may be at all, SI, by its dimension: wider than anything an engine has, but such that one can be computed. */
export const BOUNDS: Record<Dimension, [number, number]> = {
  length: [1e-5, 10],
  diameter: [1e-4, 10],
  clearance: [1e-7, 0.01],
  pressure: [0, 1e8],
  temperature: [-60, 200],
  speed: [0, 1000],
  springRate: [1, 1e7],
  displacement: [1e-9, 1e-2],
  ratio: [0.01, 100],
  mass: [1e-4, 1e3],
  duration: [0, 1e7],
  torque: [0, 1e5],
  force: [0.01, 1e5],
  volume: [1e-6, 10],
  count: [0.1, 1e4],
  angle: [0, 1.57],
  arc: [0, 3.1416],
  flow: [0, 10],
  power: [0, 1e6],
  span: [0, 1e9],
  distance: [0, 1e10],
}

/** Bounds of a quantity, SI: zero and below only where its plausible range has them. */
export function boundsOf({ dimension, plausible }: Pick<Quantity, 'dimension' | 'plausible'>): [number, number] {
  const [least, most] = BOUNDS[dimension]
  if (dimension === 'temperature') return [least, most]
  if (plausible[0] > 0) return [Math.max(least, 1e-2 * plausible[0]), most]
  return [plausible[0] < 0 ? -most : Math.min(0, least), most]
}

/** Why a value cannot be a quantity at all; `limit` in SI. */
export type Impossible =
  { code: 'no-number' | 'not-positive' | 'negative' } | { code: 'too-small' | 'too-large'; limit: number }

/** Why a value cannot be that quantity at all; undefined when it can. What is only unlikely is asked about when it is typed (`core/engine/plausible.ts`). */
export function impossible(quantity: Pick<Quantity, 'dimension' | 'plausible'>, value: number): Impossible | undefined {
  const [least, most] = boundsOf(quantity)
  if (!Number.isFinite(value)) return { code: 'no-number' }
  if (value < least) {
    if (least > 0 && value <= 0) return { code: 'not-positive' }
    return least === 0 ? { code: 'negative' } : { code: 'too-small', limit: least }
  }
  return value > most ? { code: 'too-large', limit: most } : undefined
}

/** The same as a door's problem, behind its path: figures in SI, as the file has them. */
export function impossibleInSI(reason: Impossible): string {
  switch (reason.code) {
    case 'no-number':
      return 'must be a number'
    case 'not-positive':
      return 'must be greater than zero'
    case 'negative':
      return 'must not be less than zero'
    case 'too-small':
      return `is too small to compute with; at least ${reason.limit} in SI`
    case 'too-large':
      return `is too large to compute with; at most ${reason.limit} in SI`
  }
}
