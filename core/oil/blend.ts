import type { OilGrade } from './grades'

/** What a data sheet says of an oil; the least high-shear viscosity only where no more than its grade is known. */
export type OilFigures = Pick<OilGrade, 'kv40' | 'kv100' | 'density15' | 'highShear150' | 'pumpingLimit'> &
  Partial<Pick<OilGrade, 'highShearLeast'>>

/** Petrol's heavy ends that stay in hot oil, mm²/s at 40 and 100 °C: they thin it much more than their share. */
const FUEL = { kv40: 1, kv100: 0.6, density15: 780 }

/**
 * Viscosity of two oils mixed by volume, mm²/s: log log (ν + 0.7) is mixed in a straight line.
 * Source: ASTM D7152, Calculating Viscosity of a Blend of Petroleum Products, volume basis.
 */
export function blendViscosity(first: number, second: number, share: number): number {
  const w = (viscosity: number) => Math.log10(Math.log10(viscosity + 0.7))
  return 10 ** (10 ** ((1 - share) * w(first) + share * w(second))) - 0.7
}

/**
 * Two oils mixed: `share` of the second by volume. Pumping limit is the worse of the two, since wax of either holds both.
 *
 * @throws RangeError naming the field when the share is not between 0 and 1
 */
export function blendOils(first: OilFigures, second: OilFigures, share: number): OilFigures {
  if (!(share >= 0 && share <= 1)) throw new RangeError('share: must lie between 0 and 1')
  const even = (a: number, b: number) => (1 - share) * a + share * b
  return {
    kv40: blendViscosity(first.kv40, second.kv40, share),
    kv100: blendViscosity(first.kv100, second.kv100, share),
    density15: even(first.density15, second.density15),
    highShear150: even(first.highShear150, second.highShear150),
    ...(first.highShearLeast !== undefined || second.highShearLeast !== undefined
      ? {
          highShearLeast: even(
            first.highShearLeast ?? first.highShear150,
            second.highShearLeast ?? second.highShear150,
          ),
        }
      : {}),
    pumpingLimit:
      share === 0
        ? first.pumpingLimit
        : share === 1
          ? second.pumpingLimit
          : Math.max(first.pumpingLimit, second.pumpingLimit),
  }
}

/**
 * An oil with fuel in it, `share` by volume: 5 percent takes about a quarter of its viscosity when hot.
 * Source: the blending rule above with petrol's heavy ends; their viscosity is Uldo's own round figure.
 */
export function diluteOil(oil: OilFigures, share: number): OilFigures {
  if (!(share >= 0 && share <= 0.5)) throw new RangeError('dilution: must lie between 0 and 0.5')
  const kv100 = blendViscosity(oil.kv100, FUEL.kv100, share)
  return {
    kv40: blendViscosity(oil.kv40, FUEL.kv40, share),
    kv100,
    density15: (1 - share) * oil.density15 + share * FUEL.density15,
    ...scaledShear(oil, kv100 / oil.kv100),
    pumpingLimit: oil.pumpingLimit,
  }
}

/** An aged oil: all of its viscosities times a factor, above 1 for oxidised and sooty, below 1 for sheared. */
export function ageOil(oil: OilFigures, factor: number): OilFigures {
  if (!(factor > 0.2 && factor < 5)) throw new RangeError('ageing: must lie between 0.2 and 5')
  return { ...oil, kv40: oil.kv40 * factor, kv100: oil.kv100 * factor, ...scaledShear(oil, factor) }
}

/** High-shear figures, typical and least, times a factor. */
function scaledShear(
  { highShear150, highShearLeast }: OilFigures,
  factor: number,
): Pick<OilFigures, 'highShear150' | 'highShearLeast'> {
  return {
    highShear150: factor * highShear150,
    ...(highShearLeast === undefined ? {} : { highShearLeast: factor * highShearLeast }),
  }
}
