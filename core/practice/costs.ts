import { CHECKS, type CheckKey } from '../trace/checks'
import { beforeItRan } from '../trace/moments'
import type { Cause, Moment } from '../trace/vocabulary'

/** Parts that a check or a repair uses up, with what each costs beside a sump gasket. */
export const PARTS = {
  'sump-gasket': 1,
  'cover-gasket': 1,
  'pickup-seal': 0.5,
  filter: 1,
  oil: 3,
  sender: 2,
  spring: 1,
  valve: 2,
  plug: 0.5,
  restrictor: 1,
  lifter: 2,
  pump: 14,
  shells: 10,
} as const
export type Part = keyof typeof PARTS

/** What something costs that is done at the engine. */
export interface Cost {
  minutes: number
  parts: readonly Part[]
  /** s for which the crank turns while it is done. */
  turning: number
}

/** s of turning that a check takes; what is not named is made with the engine at rest. */
const TURNING: Partial<Record<CheckKey, number>> = {
  lamp: 5,
  drill: 0,
  noise: 10,
  needle: 10,
  foam: 10,
  'leak-outside': 10,
  'second-attempt': 10,
  'oil-at-pad': 8,
  'oil-at-gauge-port': 8,
  'oil-at-turbo': 8,
  'oil-at-rockers': 15,
  fountain: 15,
  'mechanical-gauge': 8,
  'air-at-pump': 8,
  'oil-at-cover': 8,
}
const USED: Partial<Record<CheckKey, readonly Part[]>> = {
  metal: ['filter'],
  pickup: ['sump-gasket', 'pickup-seal'],
  cover: ['sump-gasket', 'cover-gasket'],
  pump: ['sump-gasket', 'cover-gasket'],
  'pump-bench': ['sump-gasket', 'cover-gasket'],
  plugs: ['sump-gasket', 'plug'],
  shells: ['sump-gasket'],
}

/** What a check costs; while an engine is primed by drill or tank nothing but its pump turns. */
export function costOfCheck(check: CheckKey, moment: Moment): Cost {
  return {
    minutes: CHECKS[check]!.minutes,
    parts: USED[check] ?? [],
    turning: moment === 'prime' ? 0 : (TURNING[check] ?? 0),
  }
}

/** What a repair takes once it is known what to repair, with the parts, and the run that shows whether it was that: Uldo's own estimate. */
const REPAIRS: Record<Cause, { minutes: number; parts: readonly Part[] }> = {
  'no-oil': { minutes: 5, parts: ['oil'] },
  'sender-low': { minutes: 15, parts: ['sender'] },
  'lamp-only': { minutes: 15, parts: ['sender'] },
  'air-lock': { minutes: 10, parts: [] },
  'filter-wrong': { minutes: 10, parts: ['filter'] },
  undriven: { minutes: 30, parts: [] },
  'wrong-way': { minutes: 5, parts: [] },
  'dry-pump': { minutes: 20, parts: [] },
  'pickup-air': { minutes: 120, parts: ['sump-gasket', 'pickup-seal'] },
  'screen-blocked': { minutes: 120, parts: ['sump-gasket'] },
  'cover-leak': { minutes: 140, parts: ['sump-gasket', 'cover-gasket'] },
  'relief-open': { minutes: 30, parts: ['valve'] },
  'relief-sticks': { minutes: 30, parts: [] },
  'relief-weak': { minutes: 25, parts: ['spring'] },
  'relief-shut': { minutes: 30, parts: ['valve'] },
  'bypass-wrong': { minutes: 30, parts: ['valve'] },
  'plug-out': { minutes: 180, parts: ['sump-gasket', 'plug'] },
  'lifter-open': { minutes: 60, parts: ['lifter'] },
  'restrictor-out': { minutes: 60, parts: ['restrictor'] },
  'oil-thin': { minutes: 20, parts: ['oil', 'filter'] },
  'oil-thick': { minutes: 20, parts: ['oil', 'filter'] },
  'pump-worn': { minutes: 160, parts: ['sump-gasket', 'cover-gasket', 'pump'] },
  clearance: { minutes: 300, parts: ['sump-gasket', 'shells'] },
  'shell-hole': { minutes: 260, parts: ['sump-gasket'] },
  'gallery-blocked': { minutes: 240, parts: ['sump-gasket', 'plug'] },
  uncovered: { minutes: 5, parts: ['oil'] },
  'by-design': { minutes: 0, parts: [] },
}
/** s of turning until it is seen whether it was that. */
const PROOF = 10

export const costOfRepair = (cause: Cause, moment: Moment): Cost => ({
  ...REPAIRS[cause],
  turning: cause === 'by-design' || moment === 'prime' ? 0 : PROOF,
})

/** What an engine can be turned or run at, once it is together: by the starter, and run until its gauge stands. */
export const RUNS: Moment[] = ['crank', 'cold', 'idle-hot', 'working-hot']
/** Minutes with getting ready and warming up, and s of turning under the eye. */
const RUN: Record<Moment, Omit<Cost, 'parts'>> = {
  prime: { minutes: 4, turning: 0 },
  crank: { minutes: 2, turning: 15 },
  'first-run': { minutes: 3, turning: 15 },
  cold: { minutes: 3, turning: 15 },
  'idle-hot': { minutes: 20, turning: 15 },
  'working-hot': { minutes: 22, turning: 15 },
}
/** Called off without pressure: so long after it has fired, s, and what it takes until then, minutes. */
const CALLED_OFF = { turning: 5, minutes: 3 }

/** What a run costs, or one that was called off at the deadline. */
export const costOfRun = (moment: Moment, calledOff = false): Cost => ({
  ...RUN[moment],
  ...(calledOff && !beforeItRan(moment) ? CALLED_OFF : {}),
  parts: [],
})

/** Under this share of what a sound engine shows at the moment, journals run dry. */
const DRY = 0.15

export const isDry = (pressure: number, sound: number): boolean => pressure < DRY * sound

/** s for which journals ran dry while the crank turned; at cranking speed, unloaded, they count for a third. */
export function dryFor(turning: number, pressure: number, sound: number, moment: Moment): number {
  if (!isDry(pressure, sound)) return 0
  return moment !== 'first-run' && beforeItRan(moment) ? turning / 3 : turning
}

export const costOfParts = (parts: readonly Part[]): number => parts.reduce((sum, part) => sum + PARTS[part], 0)
