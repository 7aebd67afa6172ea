import { primeSetUpOf } from '../prime/setUp'
import type { Layout, Sheet } from '../record/schema'
import { beforeItRan } from './moments'
import type { Moment, Observation } from './vocabulary'

/** What a check costs, and where it can be made. */
export interface Check {
  /** Minutes of work, with the way there and back; closing up again is counted. */
  minutes: number
  /** Something is taken apart that was built up: the sump, the timing cover, caps. */
  teardown?: boolean
  /** Engines that have what is looked at. */
  fits?: (layout: Layout) => boolean
  /** Moments at which it can be seen. */
  at?: (moment: Moment) => boolean
}

const filtered = ({ filter }: Layout) => filter
const running = (moment: Moment) => !beforeItRan(moment)
const turning = (moment: Moment) => moment !== 'prime'

/** Checks in the trade's words, what they cost by Uldo's own estimate for an engine on a stand or in its place. What has no second outcome is none. */
export const CHECKS: Partial<Record<Observation, Check>> = {
  lamp: { minutes: 1, at: turning },
  'oil-level': { minutes: 1 },
  attitude: { minutes: 1 },
  drive: { minutes: 3 },
  drill: { minutes: 1, at: (moment) => moment === 'prime' },
  noise: { minutes: 1, at: turning },
  needle: { minutes: 1 },
  foam: { minutes: 1, at: turning },
  'fuel-smell': { minutes: 1, at: running },
  'leak-outside': { minutes: 2 },
  'oil-grade': { minutes: 2 },
  'second-attempt': { minutes: 4, at: beforeItRan },
  'oil-at-pad': { minutes: 5, fits: filtered },
  filter: { minutes: 5, fits: filtered },
  'oil-at-gauge-port': { minutes: 6 },
  'oil-at-turbo': { minutes: 6, fits: ({ turbo }) => turbo },
  'oil-at-rockers': { minutes: 8, fits: ({ rockerFeed, headCams }) => rockerFeed || headCams > 0 },
  fountain: { minutes: 8, fits: ({ lifters, lifterCount }) => lifters === 'hydraulic' && lifterCount > 0 },
  'mechanical-gauge': { minutes: 10 },
  'air-at-pump': { minutes: 10, fits: ({ pumpDrive }) => pumpDrive === 'shaft' },
  'oil-at-cover': { minutes: 10, fits: ({ pumpDrive }) => pumpDrive === 'shaft' },
  sender: { minutes: 12 },
  metal: { minutes: 12, fits: filtered, at: running },
  relief: { minutes: 20 },
  bypass: { minutes: 20, fits: ({ filter, cooler, coolerPlugged }) => filter || cooler || coolerPlugged },
  pickup: { minutes: 120, teardown: true },
  cover: { minutes: 140, teardown: true },
  pump: { minutes: 150, teardown: true },
  'pump-bench': { minutes: 170, teardown: true },
  plugs: { minutes: 180, teardown: true },
  shells: { minutes: 240, teardown: true },
}
export type CheckKey = Exclude<Observation, 'code' | 'gauge-kind' | 'lamp-cycle'>
export const CHECK_KEYS = Object.keys(CHECKS) as CheckKey[]

/** Whether a check can be made of this engine at that moment. */
export function canCheck(sheet: Sheet, moment: Moment, key: CheckKey): boolean {
  const { fits, at } = CHECKS[key]!
  if (key === 'drill' && primeSetUpOf(sheet).method !== 'drill') return false
  return (fits?.(sheet.layout) ?? true) && (at?.(moment) ?? true)
}
