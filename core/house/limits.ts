import { FIRST_RULES } from './firstRules'
import type { HouseRules, Sheet } from '../record/schema'
import type { House } from './schema'

/**
 * The limit a sheet is judged by, SI: its house's where that differs, else the first day's.
 *
 * @throws RangeError for a key that is no rule
 */
export function ruleOf(sheet: Pick<Sheet, 'house'>, key: string): number {
  const first = FIRST_RULES[key]
  if (first === undefined) throw new RangeError(`${key}: is no house rule`)
  return sheet.house?.rules[key] ?? first
}

/** Most that the gauge should show at a state, Pa: the maker's limit, else the house's for the engine's use, else the house's for all. */
export function ceilingOf(sheet: Pick<Sheet, 'house' | 'readings' | 'use'>, state: string): number {
  const maker = sheet.readings['maker.ceiling']?.value
  if (maker !== undefined) return maker
  const forUse = `ceiling.${state}.${sheet.use}`
  return ruleOf(sheet, forUse in FIRST_RULES ? forUse : `ceiling.${state}`)
}

/** The school that governs a sheet: its own, else its house's. */
export function schoolOf(sheet: Pick<Sheet, 'house' | 'school'>): Sheet['school'] {
  return sheet.school === 'auto' ? (sheet.house?.school ?? 'auto') : sheet.school
}

/** A house's own limits as sheets carry them. */
export function houseRules({ rules, school }: Pick<House, 'rules' | 'school'>): HouseRules {
  return { rules: Object.fromEntries(Object.entries(rules).map(([key, { value }]) => [key, value])), school }
}
