import type { Layout } from '../record/schema'
import type { Quantity } from '../record/quantity'

/** Short ways of writing a quantity's default, uncertainty and plausible range. */

export const MM = 1e-3
export const MICRON = 1e-6
export const RPM = 1 / 60

export type Draft = Omit<Quantity, 'key' | 'label' | 'station' | 'part' | 'replaced'>

type More = Partial<Draft>

/** A length with a default that is out by a share of itself, where it has one, m. */
export const length = (
  fallback: number | undefined,
  share: number,
  plausible: [number, number],
  more: More = {},
): Draft => ({
  dimension: 'length',
  fallback,
  fallbackSigma: fallback === undefined ? undefined : share * fallback,
  sigma: 0.02 * MM,
  plausible,
  wanted: false,
  ...more,
})
/** A running gap with a default that is out by a share of itself, m. */
export const gap = (fallback: number, share: number, plausible: [number, number], more: More = {}): Draft => ({
  dimension: 'clearance',
  fallback,
  fallbackSigma: share * fallback,
  sigma: 5 * MICRON,
  plausible,
  wanted: false,
  ...more,
})
/** The bore of a passage that is seldom measured: a usual size, in mm, out by a share of itself from engine to engine. */
export const bore = (
  fallback: number,
  share: number,
  basis: string,
  plausible: [number, number],
  more: More = {},
): Draft => length(fallback * MM, share, plausible, { sigma: 0.05 * MM, basis, ...more })
/** Pressure at which a valve opens, Pa, by a default in bar. */
export const opening = (bar: number, more: More = {}): Draft => ({
  dimension: 'pressure',
  fallback: bar * 1e5,
  fallbackSigma: 0.15 * bar * 1e5,
  sigma: 5e3,
  plausible: [5e3, 1e6],
  wanted: false,
  minutes: 15,
  ...more,
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

/** What passes a part by itself, m³/s, by an estimate that is out by a share of itself until somebody measures it. */
export const flow = (
  fallback: number,
  share: number,
  sigma: number,
  plausible: [number, number],
  basis: string,
): Draft => ({
  dimension: 'flow',
  fallback,
  fallbackSigma: share * fallback,
  sigma,
  plausible,
  wanted: false,
  basis,
})

/** Something recorded that the model has no default for. */
export const plain = (
  dimension: Quantity['dimension'],
  sigma: number,
  plausible: [number, number],
  more: More = {},
): Draft => ({ dimension, sigma, plausible, wanted: false, ...more })
/** Something meant to be done: kept with the build, and never counted as measured. */
export const planned = (dimension: Quantity['dimension'], plausible: [number, number], more: More = {}): Draft => ({
  dimension,
  sigma: 0,
  plausible,
  wanted: false,
  planned: true,
  ...more,
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
