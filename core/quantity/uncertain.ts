/** Standard uncertainties to either side that a band of 5 to 95 percent of a normal distribution takes. */
export const BAND_SIGMAS = 1.645

/** A value with its standard uncertainty. */
export interface Spread {
  value: number
  sigma: number
}

/** Half of a value's band of 5 to 95 percent, in its own unit. */
export const halfBand = ({ sigma }: Pick<Spread, 'sigma'>): number => BAND_SIGMAS * sigma

/** A value's band of 5 to 95 percent. */
export const bandAround = ({ value, sigma }: Spread): [low: number, high: number] => [
  value - BAND_SIGMAS * sigma,
  value + BAND_SIGMAS * sigma,
]
