import type { Uncertain } from '../bearing/clearance'
import { flowStartPressure, freeLengthFor, plungerArea, type ReliefValve, valveFlow } from './valve'

/** Air on a fixture: the reading at which bubbles start is where flow starts, Pa; air carries no flow to speak of. */
export function airReading(valve: ReliefValve): number {
  return flowStartPressure(valve)
}

/** A pump dead-headed on a fixture: everything it moves goes past the plunger. */
export interface DeadHead {
  /** m³/rev and rev/s. */
  displacement: number
  speed: number
  /** Slip of the pump in this oil, m³/(s·Pa). */
  slipConductance: number
  /** The bench's oil at its temperature: kg/m³, Pa·s. */
  density: number
  viscosity: number
}

/**
 * Reading of a dead-head test, Pa: where the valve passes what the pump delivers, D n − G p = Q_valve(p), by bisection. It is above the
 * opening pressure by the override, and above a running engine's, whose circuit takes most of the flow.
 */
export function deadHeadReading(valve: ReliefValve, bench: DeadHead): number {
  const delivered = (pressure: number) => bench.displacement * bench.speed - bench.slipConductance * pressure
  let low = 0
  let high = 20e6
  for (let i = 0; i < 60; i++) {
    const middle = 0.5 * (low + high)
    if (valveFlow(valve, middle, bench.density, bench.viscosity) < delivered(middle)) low = middle
    else high = middle
  }
  return 0.5 * (low + high)
}

/** What is believed of a fitted spring: rate and free length with their standard uncertainties. */
export interface SpringBelief {
  springRate: Uncertain
  freeLength: Uncertain
}

export interface SpringUpdate extends SpringBelief {
  /** Reading that the spring as believed before would have given, Pa. */
  expected: number
  /** Reading less that, in standard uncertainties of the difference: beyond 3 something else is wrong. */
  surprise: number
  /** Covariance of rate and free length that the reading leaves, N: what one has too much the other has too little. */
  covariance: number
}

/**
 * Corrects rate and free length by a bench reading: one step of Bayesian least squares, each moved in proportion to how uncertain it
 * is and how much it moves the reading,
 *
 *   Δ = P H (r − r̂) / (Hᵀ P H + s²)
 *
 * with P the variances believed before, H the slopes of the reading, s the reading's own standard uncertainty.
 * Source: Gelb (ed.), Applied Optimal Estimation (1974), ch. 4.
 *
 * @param predict the reading that a valve would give on this bench
 */
export function updateSpring(
  valve: ReliefValve,
  belief: SpringBelief,
  reading: Uncertain,
  predict: (valve: ReliefValve) => number,
): SpringUpdate {
  const at = (springRate: number, freeLength: number) => predict({ ...valve, springRate, freeLength })
  const { springRate: rate, freeLength: free } = belief
  const expected = at(rate.value, free.value)
  const half = 1e-3
  const slopes = [
    (at(rate.value * (1 + half), free.value) - at(rate.value * (1 - half), free.value)) / (2 * half * rate.value),
    (at(rate.value, free.value + 1e-5) - at(rate.value, free.value - 1e-5)) / 2e-5,
  ]
  const variances = [rate.sigma ** 2, free.sigma ** 2]
  const spread = slopes[0] ** 2 * variances[0] + slopes[1] ** 2 * variances[1] + reading.sigma ** 2
  const miss = reading.value - expected
  const moved = slopes.map((slope, i) => (variances[i] * slope * miss) / spread)
  const left = slopes.map((slope, i) => Math.sqrt(variances[i] * (1 - (slope * slope * variances[i]) / spread)))
  return {
    springRate: { value: rate.value + moved[0], sigma: left[0] },
    freeLength: { value: free.value + moved[1], sigma: left[1] },
    expected,
    surprise: Math.abs(miss) / Math.sqrt(spread),
    covariance: -(variances[0] * slopes[0] * variances[1] * slopes[1]) / spread,
  }
}

/** Preload length that an opening pressure asks for, m: p A / k; and the shims that give it. */
export function preloadFor(valve: ReliefValve, pressure: number): { length: number; shims: number } {
  const bare = { ...valve, shims: [] }
  return {
    length: (pressure * plungerArea(valve.plungerDiameter)) / valve.springRate,
    shims: freeLengthFor(bare, pressure) - valve.freeLength,
  }
}
