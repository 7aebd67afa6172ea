import type { PreparedCircuit } from '../circuit/types'
import type { Fluid, ReliefSpec } from '../circuit/types'
import { falsePosition } from '../root/falsePosition'
import { flowStartPressure, type ReliefValve, valveFlow } from '../relief/valve'

/** What a circuit offers its relief valve: pressure across it against the flow it takes, and outlet's and gauge's with it. */
export interface LoadLine {
  /** Rising pressures from the pump's outlet to the valve's return, Pa; the last is that with the valve shut. */
  across: Float64Array
  /** Pressure at the pump's outlet at each, Pa. */
  outlet: Float64Array
  /** Flow that the valve must take at each, m³/s; zero at the last. */
  taken: Float64Array
  /** Gauge-port pressure at each, Pa. */
  gauge: Float64Array
}

const POINTS = 18
/** A valve that never opens, Pa, and conductance of one that holds its opening pressure, m³/(s·Pa). */
const NEVER = 1e9
const HOLDING = 1e-5

/**
 * The load line of a circuit as it is set: solved once with the valve shut, then at some pressures across it down to `lowest`, each held by
 * a valve that takes whatever it must. Between them a parabola is within 0.2 percent, where a bypass valve opens in between too.
 */
export function loadLine(
  circuit: PreparedCircuit,
  relief: ReliefSpec,
  fluid: Fluid,
  outletNode: number,
  returnNode: number,
  gaugeNode: number,
  lowest: number,
): LoadLine {
  const { valve, openingPressure, conductance } = relief
  const element = circuit.network.elements.indexOf(relief)
  const solveAt = (pressure: number) => {
    relief.openingPressure = pressure
    circuit.solve(fluid)
    const { pressures, flows } = circuit
    const outlet = pressures[outletNode]
    return { across: outlet - pressures[returnNode], outlet, taken: flows[element], gauge: pressures[gaugeNode] }
  }
  relief.valve = undefined
  relief.conductance = HOLDING
  try {
    const points = [solveAt(NEVER)]
    const shut = points[0].across
    // Evenly by their ratio: with cold oil the shut end lies ten times as high as where valves work. Closer together near it, where one has just opened.
    for (let k = 1; k < POINTS && lowest < shut; k++)
      points.push(solveAt(shut * (lowest / shut) ** ((k / (POINTS - 1)) ** 1.3)))
    points.reverse()
    return {
      across: Float64Array.from(points, (p) => p.across),
      outlet: Float64Array.from(points, (p) => p.outlet),
      taken: Float64Array.from(points, (p) => p.taken),
      gauge: Float64Array.from(points, (p) => p.gauge),
    }
  } finally {
    Object.assign(relief, { valve, openingPressure, conductance })
  }
}

/** Where a valve meets a load line: pressures at outlet and gauge, Pa. */
export function meet(
  line: LoadLine,
  valve: ReliefValve,
  { density, viscosity }: Fluid,
  coefficient: number,
): { outlet: number; gauge: number } {
  const { across, outlet, gauge } = line
  const last = across.length - 1
  const start = flowStartPressure(valve)
  if (start >= across[last]) return { outlet: outlet[last], gauge: gauge[last] }
  const low = Math.max(start, across[0])
  const high = across[last]
  const excess = (pressure: number) =>
    valveFlow(valve, pressure, density, viscosity, coefficient) - along(line, line.taken, pressure)
  const atLow = excess(low)
  const pressure =
    atLow >= 0 ? low : falsePosition(excess, low, high, atLow, excess(high), { close: 1e-12, narrow: 1e-7 })
  return { outlet: along(line, outlet, pressure), gauge: along(line, gauge, pressure) }
}

/** Value along a load line by the parabola through the three nearest points. */
function along({ across }: LoadLine, values: Float64Array, pressure: number): number {
  const count = across.length
  if (count < 3) return values[count - 1]
  let k = 1
  while (k < count - 2 && pressure > 0.5 * (across[k] + across[k + 1])) k++
  const [a, b, c] = [across[k - 1], across[k], across[k + 1]]
  return (
    (values[k - 1] * (pressure - b) * (pressure - c)) / ((a - b) * (a - c)) +
    (values[k] * (pressure - a) * (pressure - c)) / ((b - a) * (b - c)) +
    (values[k + 1] * (pressure - a) * (pressure - b)) / ((c - a) * (c - b))
  )
}
