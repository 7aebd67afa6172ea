import type { OilFigures } from '../oil/blend'
import type { StateName } from '../targets/targets'

/** What lies on the shelf for this engine. Each list's `undefined` choice is to keep what is fitted. */
export interface Offer {
  springs: { id: string; springRate: number; freeLength: number; solidLength?: number }[]
  /** Shim stacks that can be made, m. */
  stacks: { id: string; thickness: number }[]
  oils: { id: string; figures: OilFigures }[]
  pumps: {
    id: string
    displacement: number
    rotorDiameter: number
    rotorLength: number
    endClearance: number
    tipClearance: number
  }[]
  /** Shell sets by what they do to the clearances of all mains and all rods, m. */
  shells: { id: string; mains: number; rods: number }[]
}

export interface Setup {
  spring?: string
  stack?: string
  oil?: string
  pump?: string
  shells?: string
  /** Gauge pressure at the four states with every input at its best value, Pa. */
  pressures: Record<StateName, number>
  /** 5 and 95 percent of each, Pa. */
  bands: Record<StateName, [low: number, high: number]>
  /** Chance that all four states lie in their targets. */
  probability: number
  /** Whether chance and bands come from samples of this very set-up; until then they are scaled from those of the engine as it stands. */
  sampled: boolean
  /** Shaft power of the pump, working hot, W. */
  power: number
  /** How many things are changed. */
  changes: number
}

export interface FinderProgress {
  done: number
  total: number
  /** Set-ups that no other beats in chance, power and number of changes at once, best chance first. */
  frontier: Setup[]
}
