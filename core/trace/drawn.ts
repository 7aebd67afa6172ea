import type { Engine, Running } from '../engine/engine'
import type { OilState } from '../oil/oil'
import { elementOf } from '../parts/circuitBuilder'
import type { EngineValues } from '../parts/list'
import { AIR, ATMOSPHERE, OPEN_TO_AIR } from '../prime/air'
import { slipConductance } from '../pump/slip'

/** Flow through a hole of this coefficient; how often the balance is drawn nearer, and by what share of what is left. */
const DISCHARGE = 0.65
const TRIALS = 30
const NEARER = 0.4
/** The least that a pump with air in it draws at its inlet, Pa. */
const LEAST_DRAW = 50

/**
 * Gauge pressure with air drawn in before the pump, Pa. Air goes in through the hole by the suction that the oil's own way
 * leaves, C_d A √(2 Δp / ρ_air), and takes that much of what the pump turns over; what is left is oil, of which the suction
 * falls in turn. The gaps slip by what is in them, oil and air, as a pump's that is wet; what comes through of the air is
 * squeezed to the outlet's pressure.
 *
 * The filling of `core/prime` marches the same in time; this is near where it ends. Uldo's own closure.
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
  const hole = DISCHARGE * 0.25 * Math.PI * airLeak * airLeak
  const { displacement } = values.pump
  const turned = displacement * (running.pumpSpeed ?? running.speed * values.pump.driveRatio)
  const { circuit, plan } = engine
  const pump = elementOf(plan, 'pump', 'pump')
  const [inlet, outlet, gauge] = ['pump inlet', 'pump outlet', plan.gauge].map((node) => circuit.indexOf(node))
  const viscosity = oil.viscosity * values.model.viscosity
  const slip = {
    oil: slipConductance(values.pump, viscosity),
    air: OPEN_TO_AIR.wet * slipConductance(values.pump, AIR.viscosity),
  }
  let liquid = 1
  for (let trial = 0; trial < TRIALS; trial++) {
    engine.set(values, running, oil)
    const squeezed = ATMOSPHERE / (ATMOSPHERE + Math.max(0, circuit.pressures[outlet]))
    pump.displacement = displacement * Math.max(1e-3, liquid + (1 - liquid) * squeezed)
    pump.slipConductance = liquid * slip.oil + (1 - liquid) * slip.air
    circuit.solve({ density: oil.density, viscosity }, 1e-5)
    const draws = Math.max(LEAST_DRAW, -circuit.pressures[inlet])
    const air = hole * Math.sqrt((2 * draws) / AIR.density)
    const wanted = Math.max(0, 1 - air / Math.max(1e-9, turned))
    if (Math.abs(wanted - liquid) < 1e-3) break
    liquid += NEARER * (wanted - liquid)
  }
  return Math.max(0, circuit.pressures[gauge])
}
