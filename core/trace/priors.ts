import type { Cause, Context } from './vocabulary'

/**
 * How often each is the cause, in a hundred, before anything was asked; by what the engine has behind it. Uldo's own
 * estimate: on a fresh build what was not primed, not driven, not sealed or not fitted; after standing what drains and sticks;
 * on one that ran what wears, thins and blocks; after an oil change what was just done.
 */
const USUAL: Record<Cause, [fresh: number, stood: number, ran: number, oilChange: number]> = {
  'no-oil': [1.5, 3, 5, 6],
  'sender-low': [4, 5, 8, 5],
  'lamp-only': [4, 5, 8, 5],
  'air-lock': [7, 3, 0.5, 11],
  'filter-wrong': [2, 1, 2, 10],
  undriven: [6, 1.5, 2, 0.5],
  'wrong-way': [3, 0.3, 0.1, 0.1],
  'dry-pump': [8, 22, 1, 6],
  'pickup-air': [9, 6, 4, 2],
  'screen-blocked': [2.5, 4, 5, 3],
  'cover-leak': [6, 2, 1.5, 0.5],
  'relief-open': [6, 5, 4, 3],
  'relief-sticks': [4, 6, 6, 4],
  'relief-weak': [3, 1, 3, 1],
  'relief-shut': [3, 3, 2, 1],
  'bypass-wrong': [4, 0.5, 1, 3],
  'plug-out': [6, 0.3, 0.5, 0.3],
  'lifter-open': [3.5, 0.5, 1, 0.3],
  'restrictor-out': [2.5, 0.3, 0.5, 0.3],
  'oil-thin': [2, 2, 8, 9],
  'oil-thick': [1.5, 3, 1, 5],
  'pump-worn': [4, 7, 8, 3],
  clearance: [5, 4, 10, 3],
  'shell-hole': [2.5, 0.2, 0.3, 0.1],
  'gallery-blocked': [3, 1, 1.5, 1],
  uncovered: [2, 1, 4, 3],
  'by-design': [10, 6, 9, 10],
}
export const CAUSES = Object.keys(USUAL) as Cause[]
const COLUMNS: Record<Context, number> = { fresh: 0, stood: 1, ran: 2, 'oil-change': 3 }

/** Days of standing from which on what drains has drained. */
const DRAINED = 21

/** Prior of a cause in a context, not yet of one sum with the others'; standing for days goes over from what ran to what stood. */
export function priorOf(cause: Cause, context: Context, stoodDays?: number): number {
  const usual = USUAL[cause]
  if (context !== 'stood' || stoodDays === undefined) return usual[COLUMNS[context]]
  const drained = Math.min(1, Math.max(0, stoodDays) / DRAINED)
  return usual[COLUMNS.ran] * (1 - drained) + usual[COLUMNS.stood] * drained
}
