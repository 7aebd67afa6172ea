import { recorded } from '../engine/values'
import { leastGalleryPressure } from '../bearing/feed'
import type { Sheet } from '../record/schema'
import { ceilingOf, ruleOf, schoolOf } from '../house/limits'

export type StateName = 'crankingCold' | 'idleCold' | 'idleHot' | 'workingHot'
export const STATE_NAMES: StateName[] = ['crankingCold', 'idleCold', 'idleHot', 'workingHot']
export type School = 'maker' | 'per-thousand' | 'rod-feed' | 'own' | 'house'

/** What a reading should be at least and at most, Pa, and who says so. */
export interface Target {
  least: number
  most: number
  school: School
  reason: string
}

export interface TargetState {
  name: StateName
  /** rev/s */
  speed: number
  /** °C */
  temperature: number
}

/** Ten psi for each thousand rpm, in Pa for each rev/s. */
const PER_REV = (10 * 6894.757) / (1000 / 60)

/** Ten psi for each thousand rpm at a speed in rev/s, Pa. */
export function perThousand(speed: number): number {
  return PER_REV * speed
}

/** Each school's least pressure at a state, Pa; undefined where it has nothing to say. */
export function schools(
  sheet: Sheet,
  state: TargetState,
  mainDiameter: number,
  density: number,
): Partial<Record<School, number>> {
  const maker =
    state.name === 'idleHot' || state.name === 'workingHot' ? recorded(sheet, `maker.${state.name}`)?.value : undefined
  const own = recorded(sheet, `own.${state.name}`)?.value
  const rule = perThousand(state.speed)
  return {
    ...(maker === undefined ? {} : { maker }),
    ...(state.name === 'crankingCold'
      ? {}
      : { 'per-thousand': rule, 'rod-feed': leastGalleryPressure(density, state.speed, mainDiameter) }),
    ...(own === undefined ? {} : { own }),
    house: ruleOf(sheet, `floor.${state.name}`),
  }
}

/**
 * The target of a state: by the school that the sheet or its house asks for, else the maker's where there is one, else the highest of the
 * schools; never under the house floor, but where the maker or the builder himself says so, and up to the maker's or the house's ceiling for
 * this use.
 */
export function targetOf(sheet: Sheet, state: TargetState, mainDiameter: number, density: number): Target {
  const said = schools(sheet, state, mainDiameter, density)
  const ceiling = ceilingOf(sheet, state.name)
  const governing = schoolOf(sheet)
  const wanted = governing === 'auto' ? (said.maker === undefined ? undefined : 'maker') : governing
  let school: School = 'house'
  if (wanted && said[wanted] !== undefined)
    school = said[wanted]! >= said.house! || wanted === 'maker' || wanted === 'own' ? wanted : 'house'
  else for (const [name, least] of Object.entries(said) as [School, number][]) if (least > said[school]!) school = name
  return { least: said[school]!, most: Math.max(ceiling, said[school]!), school, reason: REASONS[school] }
}

/** Why each school asks for what it asks for. */
export const REASONS: Record<School, string> = {
  maker: 'the maker’s limit for this engine',
  'per-thousand': 'ten psi for each thousand rpm',
  'rod-feed': 'oil must be pushed to the crank’s axis against its own spin, so that the rods are fed',
  own: 'your own number for this engine',
  house: 'the house floor',
}
