import { EXPANSION, hotClearance } from '../bearing/clearance'
import { eccentricityFor, journalPosition, loadNumber } from '../bearing/eccentricity'
import { centrifugalHead } from '../bearing/feed'
import { carriedLeakage, grooveLeakage, holeConductance } from '../bearing/leakage'
import { meanRodLoad, reciprocatingMassEstimate } from '../bearing/load'
import { type PreparedCircuit, prepareCircuit } from '../circuit/solve'
import type { CheckSpec } from '../circuit/types'
import type { OilState } from '../oil/oil'
import type { BypassFit } from '../parts/passage'
import { entryLoss, stepLoss } from '../pickup/suction'
import { slipConductance } from '../pump/slip'
import type { ReliefValve } from '../relief/valve'
import { BYPASS_BORE, type CircuitPlan, FEED_BORE, planCircuit } from './plan'
import type { Layout } from '../record/schema'

/** All numbers the circuit needs, SI: what inputs.ts fills from a sheet, and what a band varies. */
export interface EngineValues {
  mainDiameter: number[]
  mainClearance: number[]
  mainLength: number
  mainLand: number
  rodDiameter: number[]
  rodClearance: number[]
  rodLength: number
  camClearance: number
  /** Where clearances were measured, °C. */
  room: number
  cylinderBore: number
  stroke: number
  driveRatio: number
  displacement: number
  rotorDiameter: number
  rotorLength: number
  endClearance: number
  tipClearance: number
  /** Outer rotor of a gerotor to its body. */
  sideClearance?: number
  /** Bores that the tube and the gallery feed meet at the pump, where they were measured. */
  suctionPort?: number
  outletPort?: number
  relief: ReliefValve
  relief2?: ReliefValve
  floorClearance: number
  mouthDiameter: number
  /** Open share of the pickup's screen. */
  screenOpen: number
  tubeDiameter: number
  tubeLength: number
  /** Pump above the oil's surface; below nothing it stands under it, as with a tank. */
  lift: number
  rockerRestrictor: number
  timingJet: number
  turboFeed: number
  pistonJet: number
  pistonJetOpening: number
  tensioner: number
  filterBypass: number
  coolerBypass: number
  filterFit: BypassFit
  coolerFit: BypassFit
  viscosityFactor: number
  discharge: number
  leakage: number
  filterResistance: number
  coolerResistance: number
}

/** A moment of the engine's life. */
export interface Running {
  /** Crank speed, rev/s. */
  speed: number
  /** Pump speed when something else drives it (a drill), rev/s. */
  pumpSpeed?: number
  /** Oil temperature, °C. */
  temperature: number
  /** Mean cylinder pressure over the working stroke, Pa. */
  meanPressure: number
}

export interface Engine {
  layout: Layout
  plan: CircuitPlan
  circuit: PreparedCircuit
  /** Thinnest films of mains and rods under their mean load as last set, m. */
  films: { main: number; rod: number }
  /** Sets every element for these values, this moment and this oil. */
  set: (values: EngineValues, running: Running, oil: OilState) => void
  /** Sets and solves; gives the pressure at the gauge port, Pa. */
  gauge: (values: EngineValues, running: Running, oil: OilState, aim?: number) => number
}

const CAM_DIAMETER = 0.046
const CAM_LENGTH = 0.02
const OIL_HOLE = 0.006
const LAND_OF_LIFTER = 0.02
const LIFTER_DIAMETER = 0.0214
const LIFTER_GAP = 22e-6
/** Conductance of a clean full-flow element to oil of 10 mPa·s, 15 kPa at 20 L/min, times that viscosity; of a cooler's core, 30 kPa. */
const FILTER = 2.2e-8 * 0.01
const COOLER = 1.1e-8 * 0.01
/** A cooler's place joined through, m³/(s·Pa): no loss that counts. */
const BARE_WAY = 1e-6
/** Turbo journal bearings, m³: 0.8 L/min of 10 mPa·s oil at 200 kPa behind the restrictor. */
const TURBO = 6.7e-13

/**
 * The oil circuit of a layout, with what was left out of it, ready to take an engine's values.
 *
 * @param extend adds to the circuit before it is made ready, such as what priming hangs on it
 * @param atRest flow below which a node counts as at rest, m³/s
 */
export function prepareEngine(
  layout: Layout,
  leftOut: string[] = [],
  extend?: (plan: CircuitPlan) => void,
  atRest?: number,
): Engine {
  const plan = planCircuit(layout, leftOut)
  extend?.(plan)
  const {
    suction,
    pump,
    relief,
    galleryRelief,
    cooler,
    filter,
    filterBypass,
    mains,
    rods,
    cams,
    lifters,
    rockers,
    timingJet,
    turbo,
    pistonJets,
    tensioner,
  } = plan
  const circuit = prepareCircuit(plan.network, atRest)
  const films = { main: 0, rod: 0 }
  const gaugeNode = circuit.indexOf(plan.gauge)
  const expansion = EXPANSION[layout.housing]
  const arc = (layout.mainGroove * Math.PI) / 180

  /** Hot radial clearance; a bearing pinched shut still has its last five microns for the model. */
  const radial = (clearance: number, diameter: number, rise: number, housing: number) =>
    Math.max(5e-6, 0.5 * hotClearance(clearance, diameter, rise, housing, EXPANSION.steel))

  function setSupply(values: EngineValues, running: Running, oil: OilState, viscosity: number): void {
    const entry = entryLoss({
      tube: values.tubeDiameter,
      mouth: values.mouthDiameter,
      floor: values.floorClearance,
      open: values.screenOpen,
    })
    const step = values.suctionPort === undefined ? 0 : stepLoss(values.tubeDiameter, values.suctionPort)
    suction.length = values.tubeLength
    suction.diameter = values.tubeDiameter
    suction.k = 1 + entry + step
    suction.k1 = 300 * (1 + entry + step)
    suction.head = -oil.density * 9.80665 * values.lift

    pump.displacement = values.displacement
    pump.speed = running.pumpSpeed ?? running.speed * values.driveRatio
    pump.slipConductance = slipConductance(values, viscosity)
    // A measured outlet port stands in for a third of the feed's turns: entry from a bore of its own.
    plan.feed.k = values.outletPort === undefined ? 1.5 : 1 + 0.5 * (FEED_BORE / values.outletPort) ** 4
    relief.valve = values.relief
    relief.dischargeCoefficient = values.discharge
    if (galleryRelief) {
      galleryRelief.valve = values.relief2
      galleryRelief.dischargeCoefficient = values.discharge
    }
    filter.conductance = layout.filter ? FILTER / (viscosity * values.filterResistance) : 1e-6
    if (filterBypass) setBypass(filterBypass, values.filterBypass, values.filterFit)
    if (cooler) {
      cooler.core.conductance = !layout.coolerPlugged
        ? COOLER / (viscosity * values.coolerResistance)
        : layout.coolerBypass === 'sump'
          ? BARE_WAY
          : 0
      setBypass(cooler.bypass, values.coolerBypass, values.coolerFit)
    }
  }

  function setBearings(values: EngineValues, running: Running, oil: OilState, film: number): void {
    const { speed } = running
    const gear = {
      cylinderBore: values.cylinderBore,
      crankRadius: 0.5 * values.stroke,
      reciprocatingMass: reciprocatingMassEstimate(values.cylinderBore),
    }
    const rodLoad = meanRodLoad(gear, speed, running.meanPressure)
    const mainLoad = (0.8 * rodLoad * layout.feed.length) / layout.mains
    films.main = Infinity
    films.rod = Infinity
    for (let i = 0; i < mains.length; i++) {
      const diameter = values.mainDiameter[i]
      const clearance = radial(values.mainClearance[i], diameter, running.temperature - values.room, expansion)
      const { eccentricity, attitude } = journalPosition(
        loadNumber({
          diameter,
          length: values.mainLength,
          radialClearance: clearance,
          speed,
          load: mainLoad,
          viscosity: film,
        }),
      )
      films.main = Math.min(films.main, clearance * (1 - eccentricity))
      const groove = mains[i].groove!
      // The groove is in the upper shell, over against the load: its middle lies the attitude before the thickest film.
      grooveLeakage(
        {
          radius: 0.5 * diameter,
          length: values.mainLength,
          land: values.mainLand,
          clearance,
          speed,
          viscosity: film / values.leakage,
          eccentricity,
          arc,
          centre: -attitude,
        },
        groove,
      )
    }
    for (let i = 0; i < rods.length; i++) {
      const { drilling, film: rod, main } = rods[i]
      const diameter = values.rodDiameter[i]
      const clearance = radial(values.rodClearance[i], diameter, running.temperature - values.room, EXPANSION.steel)
      const eccentricity = eccentricityFor(
        loadNumber({
          diameter,
          length: values.rodLength,
          radialClearance: clearance,
          speed,
          load: rodLoad,
          viscosity: film,
        }),
      )
      films.rod = Math.min(films.rod, clearance * (1 - eccentricity))
      setHoleFed(rod, values, diameter, values.rodLength, clearance, speed, film, eccentricity)
      drilling.head = centrifugalHead(oil.density, speed, 0.5 * values.mainDiameter[main], gear.crankRadius)
    }
    for (const cam of cams)
      setHoleFed(cam, values, CAM_DIAMETER, CAM_LENGTH, 0.5 * values.camClearance, 0.5 * speed, film, 0.6)
  }

  function setOutlets(values: EngineValues, viscosity: number): void {
    if (lifters)
      lifters.conductance =
        ((layout.lifterCount * Math.PI * LIFTER_DIAMETER * LIFTER_GAP ** 3 * 2.5) / (12 * viscosity * LAND_OF_LIFTER)) *
        4
    if (rockers) {
      setHole(rockers.restrictor, values.rockerRestrictor, values.discharge)
      rockers.bushes.conductance = (layout.lifterCount * 4e-13) / viscosity
    }
    if (timingJet) setHole(timingJet, values.timingJet, values.discharge)
    if (tensioner) setHole(tensioner, values.tensioner, values.discharge)
    if (turbo) {
      setHole(turbo.restrictor, values.turboFeed, values.discharge)
      turbo.bearings.conductance = TURBO / viscosity
    }
    for (const jets of pistonJets) {
      setHole(jets, values.pistonJet, values.discharge)
      jets.openingPressure = values.pistonJetOpening
    }
  }

  function set(values: EngineValues, running: Running, oil: OilState): void {
    const viscosity = oil.viscosity * values.viscosityFactor
    setSupply(values, running, oil, viscosity)
    setBearings(values, running, oil, oil.filmViscosity * values.viscosityFactor)
    setOutlets(values, viscosity)
  }

  return {
    layout,
    plan,
    circuit,
    films,
    set,
    gauge: (values, running, oil, aim) => {
      set(values, running, oil)
      circuit.solve({ density: oil.density, viscosity: oil.viscosity * values.viscosityFactor }, aim)
      return circuit.pressures[gaugeNode]
    },
  }
}

function setHole(
  hole: { diameter: number; dischargeCoefficient?: number },
  diameter: number,
  coefficient: number,
): void {
  hole.diameter = diameter
  hole.dischargeCoefficient = coefficient
}

/** A bypass valve in its place, its way left open, or its way plugged. */
function setBypass(valve: CheckSpec, openingPressure: number, fit: BypassFit): void {
  valve.openingPressure = fit === 'in' ? openingPressure : 0
  valve.diameter = fit === 'plugged' ? 1e-7 : BYPASS_BORE
}

/** Feed pressure at which a hole's own flow is set against what turning carries, Pa. */
const USUAL_FEED = 200e3

/**
 * A bearing fed by a hole: where turning carries oil, the hole's pressure-fed part gives up a fifth of itself to it, in
 * proportion; within 10 percent of the grid solver averaged over the hole's place (core/film/closed.test.ts).
 */
export function setHoleFed(
  bearing: { conductance: number; carried: number },
  { leakage }: Pick<EngineValues, 'leakage'>,
  diameter: number,
  length: number,
  clearance: number,
  speed: number,
  viscosity: number,
  eccentricity: number,
): void {
  const pressed = leakage * holeConductance(clearance, length, OIL_HOLE, viscosity, eccentricity)
  bearing.carried = carriedLeakage(0.5 * diameter, length, clearance, speed, eccentricity)
  bearing.conductance = pressed * (1 - (0.2 * bearing.carried) / (bearing.carried + pressed * USUAL_FEED))
}
