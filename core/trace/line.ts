import type { Cause } from './vocabulary'

/** Chances of what an observation comes to, in the order of its values, with the reason for them. */
export interface Line {
  /** The causes that it is for; all that no line before it is for, where it does not say. */
  of?: readonly Cause[]
  /** Only while the pump brings no oil, or only while it does. */
  brings?: boolean
  chances: readonly number[]
  why: string
}

/** Causes that have something in common. */
export const NOT_TURNED = ['undriven', 'wrong-way'] as const
export const DRAWS_AIR = ['pickup-air', 'cover-leak', 'uncovered', 'no-oil'] as const
export const LOSES_OIL = [
  'plug-out',
  'relief-open',
  'lifter-open',
  'clearance',
  'restrictor-out',
  'bypass-wrong',
] as const
export const GAUGE_ONLY = ['lamp-only', 'sender-low'] as const
export const TOO_HIGH = ['relief-shut', 'oil-thick'] as const
