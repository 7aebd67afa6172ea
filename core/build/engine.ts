import { EXPANSION, hotClearance } from '../bearing/clearance'
import { journalPosition, loadNumber } from '../bearing/eccentricity'
import { centrifugalHead } from '../bearing/feed'
import { carriedLeakage, grooveConductance, holeConductance } from '../bearing/leakage'
import { meanRodLoad, reciprocatingMassEstimate } from '../bearing/load'
import { type PreparedCircuit, prepareCircuit } from '../circuit/solve'
import type { BearingSpec, ElementSpec, LinearSpec, Network, OrificeSpec, PipeSpec, PumpSpec, ReliefSpec } from '../circuit/types'
import type { OilState } from '../oil/oil'
import { slipConductance } from '../pump/slip'
import type { ReliefValve } from '../relief/valve'
import type { Layout } from './schema'

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
  cylinderBore: number
  stroke: number
  driveRatio: number
  displacement: number
  rotorDiameter: number
  rotorLength: number
  endClearance: number
  tipClearance: number
  relief: ReliefValve
  relief2?: ReliefValve
  floorClearance: number
  mouthDiameter: number
  tubeDiameter: number
  tubeLength: number
  lift: number
  rockerRestrictor: number
  timingJet: number
  viscosityFactor: number
  discharge: number
  leakage: number
  filterResistance: number
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
  circuit: PreparedCircuit
  /** Sets every element for these values, this moment and this oil. */
  set: (values: EngineValues, running: Running, oil: OilState) => void
  /** Sets and solves; gives the pressure at the gauge port, Pa. */
  gauge: (values: EngineValues, running: Running, oil: OilState) => number
}

const ROOM = 20
const CAM_DIAMETER = 0.046
const CAM_LENGTH = 0.02
const OIL_HOLE = 0.006
const LAND_OF_LIFTER = 0.02
const LIFTER_DIAMETER = 0.0214
const LIFTER_GAP = 22e-6
/** Conductance of a clean full-flow element to oil of 10 mPa·s: 15 kPa at 20 L/min. */
const FILTER = 2.2e-8 * 0.01

/**
 * The oil circuit of a layout: sump, pickup and tube, pump with its relief valve, filter with bypass, gallery, each main by
 * its drilling, each rod from the main that feeds it, cam bearings, lifters, rockers, timing jet. The gauge stands on the
 * gallery where the filtered oil enters. Passage sizes that nobody records yet are typical ones, named here.
 */
export function prepareEngine(layout: Layout): Engine {
  const nodes: Network['nodes'] = [{ id: 'sump', pressure: 0 }, { id: 'pump inlet' }, { id: 'pump outlet' }, { id: 'filter outlet' }]
  const elements: ElementSpec[] = []
  const add = <T extends ElementSpec>(element: T): T => {
    elements.push(element)
    return element
  }
  const pipe = (id: string, from: string, to: string, length: number, diameter: number, k = 0): PipeSpec =>
    add({ id, kind: 'pipe', from, to, length, diameter, k, k1: 300 })
  const bearing = (id: string, from: string): BearingSpec => add({ id, kind: 'bearing', from, to: 'sump', conductance: 0, carried: 0 })

  const suction = pipe('pickup', 'sump', 'pump inlet', 0.2, 0.014, 1)
  const pump: PumpSpec = add({ id: 'pump', kind: 'pump', from: 'pump inlet', to: 'pump outlet', displacement: 0, speed: 0, slipConductance: 0 })
  const relief: ReliefSpec = add({ id: 'relief', kind: 'relief', from: 'pump outlet', to: 'sump', openingPressure: 4e5 })
  const filter: LinearSpec = add({ id: 'filter', kind: 'linear', from: 'pump outlet', to: 'filter outlet', conductance: FILTER })
  if (layout.filter) add({ id: 'filter bypass', kind: 'check', from: 'pump outlet', to: 'filter outlet', diameter: 0.01, openingPressure: 1e5 })

  for (let i = 1; i <= layout.mains; i++) {
    nodes.push({ id: `gallery ${i}` }, { id: `main ${i}` })
    if (i > 1) pipe(`gallery ${i - 1} to ${i}`, `gallery ${i - 1}`, `gallery ${i}`, 0.1, 0.012)
    pipe(`drilling ${i}`, `gallery ${i}`, `main ${i}`, 0.05, 0.007, 1.5)
  }
  const entry = `gallery ${Math.ceil(layout.mains / 2)}`
  pipe('feed', 'filter outlet', entry, 0.15, 0.012, 1.5)
  const last = `gallery ${layout.mains}`
  const mains = Array.from({ length: layout.mains }, (_, i) => bearing(`main ${i + 1} film`, `main ${i + 1}`))
  const rods = layout.feed.map((main, i) => {
    nodes.push({ id: `rod ${i + 1}` })
    return { drilling: pipe(`crank drilling ${i + 1}`, `main ${main}`, `rod ${i + 1}`, 0.08, 0.005, 1.5), film: bearing(`rod ${i + 1} film`, `rod ${i + 1}`), main: main - 1 }
  })
  const cams = Array.from({ length: layout.camBearings }, (_, i) => {
    const main = Math.min(layout.mains, 1 + Math.floor((i * layout.mains) / layout.camBearings))
    nodes.push({ id: `cam ${i + 1}` })
    pipe(`cam drilling ${i + 1}`, `main ${main}`, `cam ${i + 1}`, 0.08, 0.005, 1.5)
    return bearing(`cam ${i + 1} film`, `cam ${i + 1}`)
  })
  const lifters: LinearSpec | undefined = layout.lifterCount > 0 && layout.lifters === 'hydraulic'
    ? add({ id: 'lifters', kind: 'linear', from: last, to: 'sump', conductance: 0 }) : undefined
  let restrictor: OrificeSpec | undefined
  let rockers: LinearSpec | undefined
  if (layout.rockerFeed) {
    nodes.push({ id: 'rockers' })
    restrictor = add({ id: 'rocker restrictor', kind: 'orifice', from: last, to: 'rockers', diameter: 0.0014, dischargeCoefficient: 0.65 })
    rockers = add({ id: 'rocker bushes', kind: 'linear', from: 'rockers', to: 'sump', conductance: 0 })
  }
  const jet: OrificeSpec | undefined = layout.timingJet
    ? add({ id: 'timing jet', kind: 'orifice', from: 'gallery 1', to: 'sump', diameter: 0.0009, dischargeCoefficient: 0.65 }) : undefined
  const relief2: ReliefSpec | undefined = layout.galleryRelief
    ? add({ id: 'gallery relief', kind: 'relief', from: last, to: 'sump', openingPressure: 4e5 }) : undefined

  const circuit = prepareCircuit({ nodes, elements })
  const gaugeNode = circuit.indexOf(entry)
  const expansion = EXPANSION[layout.housing]
  const groove = (layout.mainGroove * Math.PI) / 180

  /** Hot radial clearance; a bearing pinched shut still has its last five microns for the model. */
  const radial = (clearance: number, diameter: number, temperature: number, housing: number) =>
    Math.max(5e-6, 0.5 * hotClearance(clearance, diameter, temperature - ROOM, housing, EXPANSION.steel))

  function set(values: EngineValues, running: Running, oil: OilState): void {
    const viscosity = oil.viscosity * values.viscosityFactor
    const film = oil.filmViscosity * values.viscosityFactor
    const gear = { cylinderBore: values.cylinderBore, crankRadius: 0.5 * values.stroke, reciprocatingMass: reciprocatingMassEstimate(values.cylinderBore) }
    const rodLoad = meanRodLoad(gear, running.speed, running.meanPressure)
    const mainLoad = (0.8 * rodLoad * layout.feed.length) / layout.mains

    const tubeArea = values.tubeDiameter ** 2
    const entryArea = 4 * values.mouthDiameter * Math.max(0.5e-3, values.floorClearance)
    suction.length = values.tubeLength
    suction.diameter = values.tubeDiameter
    suction.k = 1 + (tubeArea / entryArea) ** 2
    suction.k1 = 300 * (1 + (tubeArea / entryArea) ** 2)
    suction.head = -oil.density * 9.80665 * values.lift

    pump.displacement = values.displacement
    pump.speed = running.pumpSpeed ?? running.speed * values.driveRatio
    pump.slipConductance = slipConductance(values, viscosity)
    relief.valve = values.relief
    relief.dischargeCoefficient = values.discharge
    if (relief2) {
      relief2.valve = values.relief2
      relief2.dischargeCoefficient = values.discharge
    }
    filter.conductance = layout.filter ? FILTER / (viscosity * values.filterResistance) : 1e-6

    for (let i = 0; i < mains.length; i++) {
      const diameter = values.mainDiameter[i]
      const clearance = radial(values.mainClearance[i], diameter, running.temperature, expansion)
      const position = journalPosition(loadNumber({ diameter, length: values.mainLength, radialClearance: clearance, speed: running.speed, load: mainLoad, viscosity: film }))
      mains[i].conductance = values.leakage * grooveConductance(0.5 * diameter, clearance, values.mainLand, film, position.eccentricity, groove, position.attitude)
      mains[i].carried = carriedLeakage(0.5 * diameter, values.mainLength, clearance, running.speed, position.eccentricity)
    }
    for (let i = 0; i < rods.length; i++) {
      const { drilling, film: rod, main } = rods[i]
      const diameter = values.rodDiameter[i]
      const clearance = radial(values.rodClearance[i], diameter, running.temperature, EXPANSION.steel)
      const { eccentricity } = journalPosition(loadNumber({ diameter, length: values.rodLength, radialClearance: clearance, speed: running.speed, load: rodLoad, viscosity: film }))
      rod.conductance = values.leakage * holeConductance(clearance, values.rodLength, OIL_HOLE, film, eccentricity)
      rod.carried = carriedLeakage(0.5 * diameter, values.rodLength, clearance, running.speed, eccentricity)
      drilling.head = centrifugalHead(oil.density, running.speed, 0.5 * values.mainDiameter[main], gear.crankRadius)
    }
    for (const cam of cams) {
      const clearance = 0.5 * values.camClearance
      cam.conductance = values.leakage * holeConductance(clearance, CAM_LENGTH, OIL_HOLE, film, 0.6)
      cam.carried = carriedLeakage(0.5 * CAM_DIAMETER, CAM_LENGTH, clearance, 0.5 * running.speed, 0.6)
    }
    if (lifters) lifters.conductance = (layout.lifterCount * Math.PI * LIFTER_DIAMETER * LIFTER_GAP ** 3 * 2.5) / (12 * viscosity * LAND_OF_LIFTER) * 4
    if (restrictor) {
      restrictor.diameter = values.rockerRestrictor
      restrictor.dischargeCoefficient = values.discharge
    }
    if (rockers) rockers.conductance = (layout.lifterCount * 4e-13) / viscosity
    if (jet) {
      jet.diameter = values.timingJet
      jet.dischargeCoefficient = values.discharge
    }
  }

  return {
    layout, circuit, set,
    gauge: (values, running, oil) => {
      set(values, running, oil)
      circuit.solve({ density: oil.density, viscosity: oil.viscosity * values.viscosityFactor })
      return circuit.pressures[gaugeNode]
    },
  }
}
