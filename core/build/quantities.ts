import { reciprocatingMassEstimate } from '../bearing/load'
import type { Dimension } from '../units/units'
import type { Layout } from './schema'

export type Station = 'brief' | 'bearings' | 'pump' | 'relief' | 'pickup' | 'prime' | 'start'

/** One number a builder can record: what it is, what stands in for it, and what is plausible. */
export interface Quantity {
  key: string
  label: string
  station: Station
  dimension: Dimension
  /** Layout default, SI, where the model needs a number before anyone has measured one. */
  fallback?: number
  /** Standard uncertainty of the fallback. */
  fallbackSigma?: number
  /** Standard uncertainty of a measurement with the usual instrument. */
  sigma: number
  /** Values outside are taken only after they are confirmed. */
  plausible: [number, number]
  /** Counted as missing until recorded. */
  wanted: boolean
}

const MM = 1e-3
const MICRON = 1e-6
const RPM = 1 / 60

type Draft = Omit<Quantity, 'key' | 'label' | 'station'>

const length = (fallback: number | undefined, share: number, plausible: [number, number], wanted = false, sigma = 0.02 * MM): Draft => ({
  dimension: 'length', fallback, fallbackSigma: fallback === undefined ? undefined : share * fallback, sigma, plausible, wanted,
})
const gap = (fallback: number, share: number, plausible: [number, number], wanted: boolean): Draft => ({
  dimension: 'clearance', fallback, fallbackSigma: share * fallback, sigma: 5 * MICRON, plausible, wanted,
})
const speed = (rpm: number, plausible: [number, number]): Draft => ({
  dimension: 'speed', fallback: rpm * RPM, fallbackSigma: 0, sigma: 10 * RPM, plausible: [plausible[0] * RPM, plausible[1] * RPM], wanted: true,
})
const temperature = (celsius: number, plausible: [number, number]): Draft => ({
  dimension: 'temperature', fallback: celsius, fallbackSigma: 0, sigma: 1, plausible, wanted: true,
})

/** Sizes of a typical engine of this layout, m and m³: they only stand in until the engine's own are typed. */
function typical(layout: Layout) {
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

/** Every number that can be recorded for a layout, in the engine's order and the order of the work. */
export function quantitiesOf(layout: Layout): Quantity[] {
  const size = typical(layout)
  const list: Quantity[] = []
  const at = (station: Station) => (key: string, label: string, draft: Draft) => list.push({ key, label, station, ...draft })

  const brief = at('brief')
  brief('brief.idleSpeed', 'Idle speed, hot', speed(layout.cylinders <= 2 ? 900 : 700, [200, 2500]))
  brief('brief.coldIdleSpeed', 'Idle speed, cold', speed(layout.cylinders <= 2 ? 1200 : 1000, [300, 3000]))
  brief('brief.workingSpeed', 'Working speed', speed(3000, [500, 12000]))
  brief('brief.maximumSpeed', 'Maximum speed', speed(5000, [800, 15000]))
  brief('brief.crankingSpeed', 'Cranking speed', speed(180, [40, 600]))
  brief('brief.coldStart', 'Coldest start', temperature(0, [-50, 40]))
  brief('brief.hotOil', 'Hot oil', temperature(95, [50, 160]))
  brief('size.cylinderBore', 'Cylinder bore', length(size.cylinder, 0.05, [25 * MM, 400 * MM]))
  brief('size.stroke', 'Stroke', length(size.cylinder, 0.05, [20 * MM, 500 * MM]))
  brief('size.connectingRod', 'Connecting rod, between centres', length(1.75 * size.cylinder, 0.05, [40 * MM, 800 * MM]))
  brief('size.compressionRatio', 'Compression ratio', { dimension: 'ratio', fallback: 9, fallbackSigma: 0.5, sigma: 0.1, plausible: [5, 25], wanted: false })
  const mass = (fallback: number, plausible: [number, number]): Draft => ({ dimension: 'mass', fallback, fallbackSigma: 0.2 * fallback, sigma: 0.005, plausible, wanted: false })
  brief('size.reciprocatingMass', 'Reciprocating mass of a cylinder', mass(reciprocatingMassEstimate(size.cylinder), [0.05, 20]))
  brief('size.rotatingMass', 'Big end of the connecting rod', mass(0.65 * reciprocatingMassEstimate(size.cylinder), [0.03, 20]))
  for (const [set, word, diameter] of [['main', 'Main', size.main], ['rod', 'Rod', size.rod]] as const) {
    brief(`size.${set}Length`, `${word} shell length`, length(0.33 * diameter, 0.1, [5 * MM, 120 * MM]))
  }
  brief('size.mainLand', 'Main shell land beside the groove', length(0.12 * size.main, 0.15, [1 * MM, 60 * MM]))
  brief('passage.rockerRestrictor', layout.rockerFeed ? 'Rocker feed restrictor' : 'Rocker feed restrictor (none)', length(1.4 * MM, 0.12, [0.3 * MM, 8 * MM]))
  brief('passage.timingJet', 'Timing jet', length(0.9 * MM, 0.15, [0.3 * MM, 5 * MM]))
  const opening = (bar: number): Draft => ({ dimension: 'pressure', fallback: bar * 1e5, fallbackSigma: 0.15 * bar * 1e5, sigma: 5e3, plausible: [5e3, 1e6], wanted: false })
  if (layout.filter) brief('passage.filterBypass', 'Filter bypass opens at', opening(1))
  if (layout.cooler) brief('passage.coolerBypass', 'Cooler bypass opens at', opening(1.5))
  if (layout.turbo) brief('passage.turboFeed', 'Turbo feed restrictor', length(1.2 * MM, 0.15, [0.4 * MM, 6 * MM]))
  if (layout.pistonJets > 0) {
    brief('passage.pistonJet', 'Piston jet', length(1.5 * MM, 0.12, [0.4 * MM, 4 * MM]))
    brief('passage.pistonJetOpening', 'Piston jets open at', opening(1.8))
  }
  if (layout.tensioner) brief('passage.tensioner', 'Tensioner leak hole', length(0.8 * MM, 0.2, [0.2 * MM, 3 * MM]))
  for (const [set, word] of [['main', 'Main'], ['rod', 'Rod']] as const) {
    const limit: Draft = { dimension: 'clearance', sigma: MICRON, plausible: [5 * MICRON, 400 * MICRON], wanted: false }
    brief(`limit.${set}Least`, `${word} clearance, maker’s least`, limit)
    brief(`limit.${set}Most`, `${word} clearance, maker’s most`, limit)
  }
  const pressure: Draft = { dimension: 'pressure', sigma: 1e3, plausible: [5e3, 1.5e6], wanted: false }
  brief('maker.idleHot', 'Maker’s least pressure, idle hot', pressure)
  brief('maker.workingHot', 'Maker’s least pressure, working hot', pressure)
  brief('maker.ceiling', 'Maker’s highest pressure', pressure)

  const bearings = at('bearings')
  bearings('bearings.room', 'Room where it was measured', { dimension: 'temperature', fallback: 20, fallbackSigma: 0, sigma: 1, plausible: [-10, 45], wanted: false })
  const bearing = (set: string, word: string, diameter: number, count: number) => {
    for (let i = 1; i <= count; i++) {
      const near: [number, number] = [0.3 * diameter, 3 * diameter]
      const measured: Draft = { dimension: 'diameter', sigma: 2.5 * MICRON, plausible: near, wanted: true }
      bearings(`${set}.${i}.journal`, `${word} ${i} journal`, measured)
      bearings(`${set}.${i}.bore`, `${word} ${i} bore`, measured)
      const beside: Draft = { ...measured, wanted: false }
      for (const [place, words] of PLACES) {
        bearings(`${set}.${i}.journal.${place}`, `${word} ${i} journal, ${words}`, beside)
        bearings(`${set}.${i}.bore.${place}`, `${word} ${i} bore, ${words}`, beside)
      }
      bearings(`${set}.${i}.housing`, `${word} ${i} housing bore, no shells`, beside)
      bearings(`${set}.${i}.wall`, `${word} ${i} shell wall at the crown`, { dimension: 'diameter', sigma: 2 * MICRON, plausible: [0.8 * MM, 8 * MM], wanted: false })
      bearings(`${set}.${i}.clearance`, `${word} ${i} clearance, by strip`, { dimension: 'clearance', sigma: 6 * MICRON, plausible: [8 * MICRON, 250 * MICRON], wanted: false })
    }
  }
  bearing('main', 'Main', size.main, layout.mains)
  bearing('rod', 'Rod', size.rod, layout.feed.length)
  const float: Draft = { dimension: 'clearance', sigma: 10 * MICRON, plausible: [0, 2 * MM], wanted: false }
  bearings('thrust.endFloat', 'Crank end float', float)
  for (let i = 1; i <= layout.feed.length; i++) bearings(`rod.${i}.side`, `Rod ${i} side clearance`, float)
  for (let i = 1; i <= layout.mains; i++) bearings(`turning.${i}`, `Turning torque, main ${i}`, { dimension: 'torque', sigma: 0.1, plausible: [0, 40], wanted: false })
  if (layout.camBearings > 0) bearings('cam.clearance', 'Cam bearing clearance', gap(60 * MICRON, 0.25, [10 * MICRON, 300 * MICRON], false))

  const pump = at('pump')
  pump('pump.driveRatio', 'Drive ratio, pump to crank', { dimension: 'ratio', fallback: size.driveRatio, fallbackSigma: 0, sigma: 0.001, plausible: [0.2, 3], wanted: true })
  pump('pump.displacement', 'Displacement', { dimension: 'displacement', fallback: size.displacement, fallbackSigma: 0.15 * size.displacement, sigma: 0.02 * size.displacement, plausible: [0.5e-6, 200e-6], wanted: true })
  pump('pump.rotorDiameter', layout.pumpKind === 'gear' ? 'Gear outside diameter' : 'Outer rotor diameter', length(layout.pumpKind === 'gear' ? 38 * MM : 62 * MM, 0.1, [10 * MM, 150 * MM], true))
  if (layout.pumpKind === 'gear') pump('pump.centres', 'Shaft centre distance', length(undefined, 0, [8 * MM, 140 * MM]))
  pump('pump.rotorLength', layout.pumpKind === 'gear' ? 'Gear length' : 'Rotor length', length(layout.pumpKind === 'gear' ? 28 * MM : 16 * MM, 0.1, [4 * MM, 120 * MM], true))
  pump('pump.endClearance', 'End clearance', gap(70 * MICRON, 0.3, [10 * MICRON, 500 * MICRON], true))
  pump('pump.tipClearance', 'Tip clearance', gap(75 * MICRON, 0.3, [10 * MICRON, 600 * MICRON], true))

  for (const [name, word] of layout.galleryRelief ? [['relief', ''], ['relief2', 'Gallery valve, ']] : [['relief', '']]) {
    const relief = at('relief')
    const title = (text: string) => (word ? word + text.toLowerCase() : text)
    relief(`${name}.plungerDiameter`, title('Plunger diameter'), length(12.7 * MM, 0.03, [4 * MM, 40 * MM], true, 5 * MICRON))
    relief(`${name}.springRate`, title('Spring rate'), { dimension: 'springRate', fallback: 6000, fallbackSigma: 500, sigma: 60, plausible: [300, 60000], wanted: true })
    relief(`${name}.freeLength`, title('Spring free length'), length(48 * MM, 0.01, [10 * MM, 150 * MM], true, 0.1 * MM))
    relief(`${name}.installedLength`, title('Length fitted, no shims'), length(41 * MM, 0.01, [8 * MM, 150 * MM], true, 0.1 * MM))
    relief(`${name}.shims`, title('Shims, all together'), { ...length(0, 0, [0, 12 * MM], false, 0.01 * MM), fallbackSigma: 0 })
    relief(`${name}.solidLength`, title('Spring solid length'), length(undefined, 0, [5 * MM, 140 * MM], true, 0.1 * MM))
    relief(`${name}.portDiameter`, title('Port diameter'), length(7 * MM, 0.1, [2 * MM, 25 * MM], true))
    relief(`${name}.overlap`, title('Overlap before the port'), { ...length(0, 0, [0, 10 * MM], false, 0.05 * MM), fallbackSigma: 0.1 * MM })
  }

  const pickup = at('pickup')
  pickup('pickup.sumpDepth', 'Sump depth from the rail, with gasket', length(160 * MM, 0, [40 * MM, 500 * MM], true, 0.5 * MM))
  pickup('pickup.protrusion', 'Pickup below the rail', length(150 * MM, 0.015, [20 * MM, 495 * MM], true, 0.5 * MM))
  pickup('pickup.mouthDiameter', 'Pickup mouth diameter', length(50 * MM, 0.1, [10 * MM, 200 * MM]))
  pickup('pickup.tubeDiameter', 'Tube inside diameter', length(14 * MM, 0.06, [4 * MM, 50 * MM], true))
  pickup('pickup.tubeLength', 'Tube length', length(220 * MM, 0.1, [20 * MM, 1500 * MM], true, 2 * MM))
  pickup('pickup.lift', 'Pump above the oil level', length(60 * MM, 0.2, [0, 800 * MM], false, 3 * MM))

  const reading = (most: number): Draft => ({ dimension: 'pressure', sigma: 5e3, plausible: [0, most], wanted: false })
  const prime = at('prime')
  prime('prime.drillSpeed', 'Drill speed at the pump', { ...speed(450, [50, 3000]), wanted: false })
  prime('prime.oilTemperature', 'Oil temperature', { ...temperature(15, [-30, 60]), wanted: false })
  prime('prime.pressure', 'Reading at the gauge', reading(1.5e6))
  const start = at('start')
  start('start.firstPressure', 'Seconds to first pressure', { dimension: 'duration', sigma: 0.5, plausible: [0, 60], wanted: false })
  for (const [point, word] of START_POINTS) {
    start(`start.${point}.pressure`, `${word}: pressure`, reading(1.5e6))
    start(`start.${point}.speed`, `${word}: speed`, { dimension: 'speed', sigma: 10 * RPM, plausible: [100 * RPM, 15000 * RPM], wanted: false })
    start(`start.${point}.temperature`, `${word}: oil temperature`, { dimension: 'temperature', sigma: 1, plausible: [-40, 170], wanted: false })
  }
  return list
}

/** Where a journal or bore can be read beside its first vertical reading in front: the angle to either side, and the rear plane. */
export const PLACES: [place: string, words: string][] = [
  ['left', '60° left'], ['right', '60° right'], ['rear', 'rear'], ['rearLeft', 'rear, 60° left'], ['rearRight', 'rear, 60° right'],
]

/** Steady points captured at the first start, by the state they are judged as. */
export const START_POINTS: [point: 'idleCold' | 'idleHot' | 'workingHot', word: string][] = [
  ['idleCold', 'Idle cold'], ['idleHot', 'Idle hot'], ['workingHot', 'Working hot'],
]
