import { oilOf } from '../record/oil'
import type { Sheet } from '../record/schema'
import type { Input } from './input'
import { between, part } from './part'

/** Model coefficients that nobody measures on the bench, with how well they are known. */
const COEFFICIENTS = {
  viscosity: { label: 'Oil viscosity, by grade', value: 1, sigma: 0.06, shared: 'oil' },
  discharge: { label: 'Orifice flow coefficient', value: 0.65, sigma: 0.04, shared: 'shop' },
  leakage: { label: 'Leakage law of the bearings', value: 1, sigma: 0.1, shared: 'shop' },
  heat: { label: 'Film heat that the oil carries off', value: 0.7, sigma: 0.1, shared: 'shop' },
} as const

type Coefficients = Record<keyof typeof COEFFICIENTS | 'highShear', number>
const NAMES = Object.keys(COEFFICIENTS) as (keyof typeof COEFFICIENTS)[]

/** What the model itself is uncertain of: factors on the oil's viscosity, on that in films, on the bearings' leakage law;
 * holes' discharge; the share of a film's heat that the metal does not take. */
export const coefficients = part({
  name: 'model',
  fitted: () => true,
  readings: [],
  values: () =>
    ({ ...Object.fromEntries(NAMES.map((name) => [name, COEFFICIENTS[name].value])), highShear: 1 }) as Coefficients,
  inputs: (sheet): Input<Coefficients>[] => [
    ...NAMES.map((name) => {
      const { label, value, sigma, shared } = COEFFICIENTS[name]
      return {
        key: `model.${name}`,
        label,
        source: 'layout',
        value,
        sigma,
        shared,
        put: (v: Coefficients, x: number) => void (v[name] = x),
      } as const
    }),
    highShear(sheet),
  ],
  faults: [
    {
      key: 'oil-thin',
      words: 'the oil is thinner than it should be: its grade, fuel in it, or heat',
      look: 'Smell it, feel it, read its can; take its temperature.',
      effect: (severity) => ({ change: (v) => void (v.viscosity *= between(severity, 0.7, 0.4)) }),
    },
    {
      key: 'oil-thick',
      words: 'the oil is thicker than it should be',
      look: 'Read its can; take its temperature.',
      effect: (severity) => ({ change: (v) => void (v.viscosity *= between(severity, 1.6, 3)) }),
    },
  ],
})

/** How thick the oil is in a film, beside what is typical of its grade: never under what the standard lets it be. */
function highShear(sheet: Sheet): Input<Coefficients> {
  const { highShearSpread, highShearLeast } = oilOf(sheet)
  return {
    key: 'model.highShear',
    label: 'Oil viscosity in films, by grade',
    source: 'layout',
    value: 1,
    sigma: highShearSpread,
    shared: 'oil',
    put: (v, x) => void (v.highShear = Math.max(highShearLeast, x)),
  }
}
