/** Half shells of one grade in stock. */
export interface ShellStock {
  id: string
  half: 'upper' | 'lower'
  /** Wall over that of the standard shell, m; negative is thinner. */
  wall: number
  count: number
}

export interface ShellProblem {
  /** Each station with its clearance if standard shells were fitted on both sides, m. */
  stations: { id: string; clearance: number }[]
  stock: ShellStock[]
  /** Clearance wanted, m, and what is allowed. */
  target: number
  least: number
  most: number
}

export interface ShellChoice {
  id: string
  upper: string
  lower: string
  /** Clearance with them, m. */
  clearance: number
}

export type ShellPlan =
  | {
      kind: 'chosen'
      choices: ShellChoice[]
      worst: number
      outside: string[]
      alternatives: { choices: ShellChoice[]; worst: number }[]
    }
  /** Stock cannot do it: why, and what to order so that it can. */
  | {
      kind: 'short'
      reason: string
      order: { half: 'upper' | 'lower'; wall: number; count: number }[]
      choices: ShellChoice[]
    }
