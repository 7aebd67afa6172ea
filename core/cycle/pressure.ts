/** What the cylinder-pressure model needs of an engine, SI. */
export interface CylinderCycle {
  cylinderBore: number
  stroke: number
  /** Rod length between centres, m. */
  rodLength: number
  compressionRatio: number
  /** Indicated mean effective pressure wanted, Pa. */
  meanEffectivePressure: number
  /** Pressure in the cylinder when compression begins, Pa absolute. */
  intakePressure: number
  /** When burning begins, degrees of crank before top dead centre, and how long it lasts. */
  burnStart?: number
  burnDuration?: number
}

/** Polytropic index of compression, ratio of specific heats while burning, exhaust pressure. */
const COMPRESSION = 1.32
const GAMMA = 1.3
const EXHAUST = 105e3
export const ATMOSPHERE = 101.325e3

/** Cylinder volume over swept volume at a crank angle, rad from top dead centre, and its slope per rad. */
export function cylinderVolume(
  { stroke, rodLength, compressionRatio }: Pick<CylinderCycle, 'stroke' | 'rodLength' | 'compressionRatio'>,
  angle: number,
): { volume: number; slope: number } {
  const r = 0.5 * stroke
  const s = Math.sin(angle)
  const reach = Math.sqrt(rodLength * rodLength - r * r * s * s)
  const travel = r + rodLength - r * Math.cos(angle) - reach
  const slope = r * s + (r * r * s * Math.cos(angle)) / reach
  return { volume: 1 / (compressionRatio - 1) + travel / stroke, slope: slope / stroke }
}

/**
 * Cylinder pressure over a four-stroke cycle, Pa gauge, one value for each degree from 0 (top dead centre, firing) to 719:
 * compression by a polytropic line, burning by Wiebe's function x = 1 − exp(−5 τ³) in the first law without heat loss,
 *
 *   dp/dθ = −γ p V′/V + (γ − 1) Q x′/V,
 *
 * expansion likewise, then exhaust and intake at their own pressures. Q is found so that the cycle gives the wanted mean pressure.
 * Sources: Heywood, Internal Combustion Engine Fundamentals, 2nd ed., 9.2; Wiebe function with m = 2 and 99 percent burnt.
 *
 * @throws RangeError naming the field that is out of range
 */
export function cylinderPressure(cycle: CylinderCycle): Float64Array {
  for (const field of ['cylinderBore', 'stroke', 'meanEffectivePressure', 'intakePressure'] as const) {
    if (!(cycle[field] > 0)) throw new RangeError(`${field}: must be greater than zero`)
  }
  if (!(cycle.rodLength > 0.5 * cycle.stroke)) throw new RangeError('rodLength: must be longer than half of the stroke')
  if (!(cycle.compressionRatio > 3 && cycle.compressionRatio < 30))
    throw new RangeError('compressionRatio: must lie between 3 and 30')
  // Mean pressure rises steadily with the heat set free.
  let low = 0
  let high = 80 * cycle.intakePressure
  for (let halving = 0; halving < 40; halving++) {
    const middle = 0.5 * (low + high)
    if (meanPressure(cycle, trace(cycle, middle)) < cycle.meanEffectivePressure) low = middle
    else high = middle
  }
  return trace(cycle, 0.5 * (low + high)).map((pressure) => pressure - ATMOSPHERE)
}

/** Absolute pressure for a heat Q per swept volume, Pa. */
function trace(cycle: CylinderCycle, heat: number): Float64Array {
  const { intakePressure, burnStart = 18, burnDuration = 55 } = cycle
  const pressures = new Float64Array(720)
  const bottom = cylinderVolume(cycle, Math.PI).volume
  // Intake from 360 to 540, compression to 720.
  for (let degree = 360; degree < 540; degree++) pressures[degree] = intakePressure
  const begin = 720 - burnStart
  for (let degree = 540; degree <= begin; degree++)
    pressures[degree] =
      intakePressure * (bottom / cylinderVolume(cycle, (degree * Math.PI) / 180).volume) ** COMPRESSION
  let pressure = pressures[begin]
  const step = Math.PI / 180
  for (let degree = begin; degree < 900; degree++) {
    pressures[degree % 720] = pressure
    const { volume, slope } = cylinderVolume(cycle, (degree + 0.5) * step)
    const share = (at: number) => (at <= 0 ? 0 : 1 - Math.exp(-5 * (at / burnDuration) ** 3))
    const burnt = share(degree + 1 - begin) - share(degree - begin)
    pressure += (-GAMMA * pressure * slope * step + (GAMMA - 1) * heat * burnt) / volume
    if (degree >= 860 && pressure < EXHAUST) pressure = EXHAUST
  }
  // The exhaust valve lets the rest out by 40 degrees after the bottom.
  const left = pressure
  for (let degree = 180; degree < 360; degree++)
    pressures[degree] = EXHAUST + (left - EXHAUST) * Math.max(0, 1 - (degree - 180) / 40)
  return pressures
}

/** Work of a cycle over its swept volume, Pa. */
export function meanPressure(cycle: CylinderCycle, pressures: ArrayLike<number>): number {
  let work = 0
  for (let degree = 0; degree < 720; degree++) {
    const { slope } = cylinderVolume(cycle, ((degree + 0.5) * Math.PI) / 180)
    work += 0.5 * (pressures[degree] + pressures[(degree + 1) % 720]) * slope * (Math.PI / 180)
  }
  return work
}
