import type { Layout } from '../record/schema'
import type { Quantity } from '../record/quantity'

/** Short ways of writing a quantity's default, uncertainty and plausible range. */

export const MM = 1e-3
export const MICRON = 1e-6
export const RPM = 1 / 60

export type Draft = Omit<Quantity, 'key' | 'label' | 'station'>

export const length = (
  fallback: number | undefined,
  share: number,
  plausible: [number, number],
  wanted = false,
  sigma = 0.02 * MM,
): Draft => ({
  dimension: 'length',
  fallback,
  fallbackSigma: fallback === undefined ? undefined : share * fallback,
  sigma,
  plausible,
  wanted,
})
export const gap = (fallback: number, share: number, plausible: [number, number], wanted: boolean): Draft => ({
  dimension: 'clearance',
  fallback,
  fallbackSigma: share * fallback,
  sigma: 5 * MICRON,
  plausible,
  wanted,
})
export const speed = (rpm: number, plausible: [number, number]): Draft => ({
  dimension: 'speed',
  fallback: rpm * RPM,
  fallbackSigma: 0,
  sigma: 10 * RPM,
  plausible: [plausible[0] * RPM, plausible[1] * RPM],
  wanted: true,
})
export const temperature = (celsius: number, plausible: [number, number]): Draft => ({
  dimension: 'temperature',
  fallback: celsius,
  fallbackSigma: 0,
  sigma: 1,
  plausible,
  wanted: true,
})

/** Something recorded that the model has no default for. */
export const plain = (
  dimension: Quantity['dimension'],
  sigma: number,
  plausible: [number, number],
  wanted = false,
): Draft => ({ dimension, sigma, plausible, wanted })
/** Something meant to be done: kept with the build, and never counted as measured. */
export const planned = (dimension: Quantity['dimension'], plausible: [number, number]): Draft => ({
  dimension,
  sigma: 0,
  plausible,
  wanted: false,
  planned: true,
})

/** Sizes of a typical engine of this layout, m and m³: they only stand in until the engine's own are typed. */
export function typical(layout: Layout) {
  const bearings = layout.mains + layout.feed.length
  const small = layout.cylinders <= 2
  const perCrankTurn = (0.62e-6 + 0.1e-6 * (layout.housing === 'aluminium' ? 1 : 0)) * bearings
  return {
    main: small ? 45 * MM : 65 * MM,
    rod: small ? 38 * MM : 52 * MM,
    cylinder: small ? 80 * MM : 90 * MM,
    driveRatio: layout.pumpDrive === 'shaft' ? 0.5 : 1,
    displacement: perCrankTurn / (layout.pumpDrive === 'shaft' ? 0.5 : 1),
  }
}
