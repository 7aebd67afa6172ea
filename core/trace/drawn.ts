import type { Engine, Running } from '../engine/engine'
import type { OilState } from '../oil/oil'
import type { EngineValues } from '../parts/list'
import { AIR } from '../prime/air'

/** Flow through a hole of this coefficient; how often the balance is drawn nearer, and by what share of what is left. */
const DISCHARGE = 0.65
const TRIALS = 24
const NEARER = 0.4
/** The least that a pump with air in it draws at its inlet, Pa. */
const LEAST_DRAW = 50

/**
 * Gauge pressure with air drawn in before the pump, Pa. Air goes in through the hole by the suction that the oil's own way
 * leaves, C_d A √(2 Δp / ρ_air), and takes that much of what the pump turns over; what is left is oil, of which the suction
 * falls in turn. Squeezed to the outlet's pressure, the air that comes through counts for nothing.
 *
 * The filling of `core/prime` marches the same in time; this is where it ends. Uldo's own closure.
 *
 * @param airLeak diameter of the hole, m
 */
export function withAir(
  engine: Engine,
  values: EngineValues,
  airLeak: number,
  running: Running,
  oil: OilState,
): number {
  const { displacement } = values.pump
  const hole = DISCHARGE * 0.25 * Math.PI * airLeak * airLeak
  const turned = displacement * (running.pumpSpeed ?? running.speed * values.pump.driveRatio)
  const inlet = engine.circuit.indexOf('pump inlet')
  let share = 1
  let pressure = 0
  for (let trial = 0; trial < TRIALS; trial++) {
    values.pump.displacement = Math.max(1e-3, share) * displacement
    pressure = engine.gauge(values, running, oil, 1e-5)
    const draws = Math.max(LEAST_DRAW, -engine.circuit.pressures[inlet])
    const air = hole * Math.sqrt((2 * draws) / AIR.density)
    const wanted = Math.max(0, 1 - air / Math.max(1e-9, turned))
    if (Math.abs(wanted - share) < 1e-3) break
    share += NEARER * (wanted - share)
  }
  values.pump.displacement = displacement
  return Math.max(0, pressure)
}
