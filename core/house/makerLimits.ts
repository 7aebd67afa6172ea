import type { Sheet } from '../record/schema'
import { ruleOf } from './limits'

/** Limits that a maker may give, one alone being enough, by the house's rule that each stands above. */
export const MAKER_LIMITS = {
  'float.endLeast': 'limit.endFloatLeast',
  'float.endMost': 'limit.endFloatMost',
  'float.sideLeast': 'limit.sideLeast',
  'float.sideMost': 'limit.sideMost',
  'bearing.taper': 'limit.taper',
  'bearing.outOfRound': 'limit.outOfRound',
  'pump.endLeast': 'limit.pumpEndLeast',
  'pump.endStop': 'limit.pumpEndMost',
  'pump.tipStop': 'limit.pumpTipMost',
  'pump.metalLeast': 'limit.pumpMetal',
  'pump.wallLeast': 'limit.portWall',
  'relief.bindMargin': 'limit.bindMargin',
  'pickup.floorLeast': 'limit.pickupLeast',
  'pickup.floorMost': 'limit.pickupMost',
  'passage.housingGap': 'limit.housingGap',
} as const

/** A limit and whose it is, SI. */
export interface Limit {
  value: number
  source: 'maker' | 'house'
}

/**
 * The limit that a sheet is judged by: the maker's where it was given, else the house's.
 *
 * @param house what the house says, where that is no single rule
 */
export function limitOf(
  sheet: Pick<Sheet, 'house' | 'readings'>,
  rule: keyof typeof MAKER_LIMITS,
  house?: number,
): Limit {
  const maker = sheet.readings[MAKER_LIMITS[rule]]?.value
  return maker === undefined
    ? { value: house ?? ruleOf(sheet, rule), source: 'house' }
    : { value: maker, source: 'maker' }
}

/** Whose two limits are, in words: both one's, or each its own. */
export function whoseLimits(least: Limit, most: Limit): 'maker' | 'house' | 'both' {
  return least.source === most.source ? least.source : 'both'
}
