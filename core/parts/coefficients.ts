import type { Input } from './input'
import { part } from './part'

/** Model coefficients that nobody measures on the bench, with how well they are known. */
const COEFFICIENTS = {
  viscosity: { label: 'Oil viscosity, by grade', value: 1, sigma: 0.06 },
  discharge: { label: 'Discharge of holes and valve', value: 0.65, sigma: 0.04 },
  leakage: { label: 'Leakage law of the bearings', value: 1, sigma: 0.1 },
} as const

type Coefficients = Record<keyof typeof COEFFICIENTS, number>
const NAMES = Object.keys(COEFFICIENTS) as (keyof Coefficients)[]

/** What the model itself is uncertain of: a factor on the oil's viscosity, holes' discharge, a factor on the bearings' leakage law. */
export const coefficients = part({
  name: 'model',
  fitted: () => true,
  readings: [],
  values: () => Object.fromEntries(NAMES.map((name) => [name, COEFFICIENTS[name].value])) as Coefficients,
  inputs: (): Input<Coefficients>[] =>
    NAMES.map((name) => {
      const { label, value, sigma } = COEFFICIENTS[name]
      return { key: `model.${name}`, label, source: 'layout', value, sigma, put: (v, x) => void (v[name] = x) }
    }),
})
