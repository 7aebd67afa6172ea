import { type Dimension, type Unit, UNITS } from './units'

/** What each dimension is shown in: one word for each dimension where the choice differs from the default. */
export interface UnitChoice {
  length: string
  clearance: string
  pressure: string
  temperature: string
  springRate: string
  displacement: string
  volume: string
  flow: string
  power: string
  torque: string
  mass: string
  force: string
}

const METRIC: UnitChoice = {
  length: 'mm',
  clearance: 'mm',
  pressure: 'bar',
  temperature: '°C',
  springRate: 'N/mm',
  displacement: 'cm³/rev',
  volume: 'L',
  flow: 'L/min',
  power: 'W',
  torque: 'N·m',
  mass: 'g',
  force: 'N',
}

export const UNIT_CHOICES: Record<string, UnitChoice> = {
  'mm, bar': METRIC,
  'mm, kPa': { ...METRIC, pressure: 'kPa' },
  'mm, psi': { ...METRIC, pressure: 'psi' },
  'in, psi': {
    length: 'in',
    clearance: 'thou',
    pressure: 'psi',
    temperature: '°F',
    springRate: 'lb/in',
    displacement: 'in³/rev',
    volume: 'qt',
    flow: 'gal/min',
    power: 'hp',
    torque: 'ft·lb',
    mass: 'lb',
    force: 'lbf',
  },
}

/** The unit a dimension is shown in under a choice. */
export function unitFor(dimension: Dimension, choice: UnitChoice): Unit {
  const chosen = dimension === 'diameter' ? 'length' : dimension
  const wanted = (choice as unknown as Record<string, string | undefined>)[chosen]
  return UNITS[dimension].find((unit) => unit.symbol === wanted) ?? UNITS[dimension][0]
}
