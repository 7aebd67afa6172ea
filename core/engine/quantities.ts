import { reciprocatingMassEstimate } from '../bearing/load'
import { type Draft, gap, length, MICRON, MM, RPM, speed, temperature, typical } from '../parts/drafts'
import type { Layout } from '../record/schema'
import type { Quantity, Station } from '../record/quantity'
import { supplyQuantities } from './supply'

export type { Quantity, Station } from '../record/quantity'

/** Every number that can be recorded for a layout, in the engine's order and the order of the work. */
export function quantitiesOf(layout: Layout): Quantity[] {
  const size = typical(layout)
  const list: Quantity[] = []
  const at = (station: Station) => (key: string, label: string, draft: Draft) =>
    list.push({ key, label, station, ...draft })

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
  brief(
    'size.connectingRod',
    'Connecting rod, between centres',
    length(1.75 * size.cylinder, 0.05, [40 * MM, 800 * MM]),
  )
  brief('size.compressionRatio', 'Compression ratio', {
    dimension: 'ratio',
    fallback: 9,
    fallbackSigma: 0.5,
    sigma: 0.1,
    plausible: [5, 25],
    wanted: false,
  })
  const mass = (fallback: number, plausible: [number, number]): Draft => ({
    dimension: 'mass',
    fallback,
    fallbackSigma: 0.2 * fallback,
    sigma: 0.005,
    plausible,
    wanted: false,
  })
  brief(
    'size.reciprocatingMass',
    'Reciprocating mass of a cylinder',
    mass(reciprocatingMassEstimate(size.cylinder), [0.05, 20]),
  )
  brief(
    'size.rotatingMass',
    'Big end of the connecting rod',
    mass(0.65 * reciprocatingMassEstimate(size.cylinder), [0.03, 20]),
  )
  for (const [set, word, diameter] of [
    ['main', 'Main', size.main],
    ['rod', 'Rod', size.rod],
  ] as const) {
    brief(`size.${set}Length`, `${word} shell length`, length(0.33 * diameter, 0.1, [5 * MM, 120 * MM]))
  }
  brief('size.mainLand', 'Main shell land beside the groove', length(0.12 * size.main, 0.15, [1 * MM, 60 * MM]))
  for (const [set, word] of [
    ['main', 'Main'],
    ['rod', 'Rod'],
  ] as const) {
    const limit: Draft = { dimension: 'clearance', sigma: MICRON, plausible: [5 * MICRON, 400 * MICRON], wanted: false }
    brief(`limit.${set}Least`, `${word} clearance, maker’s least`, limit)
    brief(`limit.${set}Most`, `${word} clearance, maker’s most`, limit)
  }
  const pressure: Draft = { dimension: 'pressure', sigma: 1e3, plausible: [5e3, 1.5e6], wanted: false }
  brief('maker.idleHot', 'Maker’s least pressure, idle hot', pressure)
  brief('maker.workingHot', 'Maker’s least pressure, working hot', pressure)
  brief('maker.ceiling', 'Maker’s highest pressure', pressure)

  const bearings = at('bearings')
  bearings('bearings.room', 'Room where it was measured', {
    dimension: 'temperature',
    fallback: 20,
    fallbackSigma: 0,
    sigma: 1,
    plausible: [-10, 45],
    wanted: false,
  })
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
      bearings(`${set}.${i}.wall`, `${word} ${i} shell wall at the crown`, {
        dimension: 'diameter',
        sigma: 2 * MICRON,
        plausible: [0.8 * MM, 8 * MM],
        wanted: false,
      })
      bearings(`${set}.${i}.clearance`, `${word} ${i} clearance, by strip`, {
        dimension: 'clearance',
        sigma: 6 * MICRON,
        plausible: [8 * MICRON, 250 * MICRON],
        wanted: false,
      })
    }
  }
  bearing('main', 'Main', size.main, layout.mains)
  bearing('rod', 'Rod', size.rod, layout.feed.length)
  const float: Draft = { dimension: 'clearance', sigma: 10 * MICRON, plausible: [0, 2 * MM], wanted: false }
  bearings('thrust.endFloat', 'Crank end float', float)
  for (let i = 1; i <= layout.feed.length; i++) bearings(`rod.${i}.side`, `Rod ${i} side clearance`, float)
  for (let i = 1; i <= layout.mains; i++)
    bearings(`turning.${i}`, `Turning torque, main ${i}`, {
      dimension: 'torque',
      sigma: 0.1,
      plausible: [0, 40],
      wanted: false,
    })
  if (layout.camBearings > 0)
    bearings('cam.clearance', 'Cam bearing clearance', gap(60 * MICRON, 0.25, [10 * MICRON, 300 * MICRON], false))

  list.push(...supplyQuantities(layout))

  const reading = (most: number): Draft => ({ dimension: 'pressure', sigma: 5e3, plausible: [0, most], wanted: false })
  const prime = at('prime')
  prime('prime.drillSpeed', 'Drill speed at the pump', { ...speed(450, [50, 3000]), wanted: false })
  prime('prime.oilTemperature', 'Oil temperature', { ...temperature(15, [-30, 60]), wanted: false })
  const seconds = (fallback: number, plausible: [number, number]): Draft => ({
    dimension: 'duration',
    fallback,
    fallbackSigma: 0,
    sigma: 1,
    plausible,
    wanted: false,
  })
  const litres = (fallback: number, plausible: [number, number]): Draft => ({
    dimension: 'volume',
    fallback,
    fallbackSigma: 0,
    sigma: 0.05e-3,
    plausible,
    wanted: false,
  })
  prime('prime.tankPressure', 'Tank pressure', {
    dimension: 'pressure',
    fallback: 3e5,
    fallbackSigma: 0,
    sigma: 10e3,
    plausible: [0.3e5, 8e5],
    wanted: false,
  })
  prime('prime.tankVolume', 'Oil in the tank', litres(3e-3, [0.05e-3, 60e-3]))
  prime('prime.burst', 'Starter burst', seconds(10, [1, 30]))
  prime('prime.rest', 'Rest between bursts', seconds(30, [0, 600]))
  prime('prime.poured', 'Poured in at the port', litres(0.5e-3, [0.02e-3, 20e-3]))
  prime('prime.checkPressure', 'Check prime, reading at the gauge', reading(1.5e6))
  prime('prime.pressure', 'Reading at the gauge', reading(1.5e6))
  const start = at('start')
  start('start.firstPressure', 'Seconds to first pressure', {
    dimension: 'duration',
    sigma: 0.5,
    plausible: [0, 60],
    wanted: false,
  })
  for (const [point, word] of START_POINTS) {
    start(`start.${point}.pressure`, `${word}: pressure`, reading(1.5e6))
    start(`start.${point}.speed`, `${word}: speed`, {
      dimension: 'speed',
      sigma: 10 * RPM,
      plausible: [100 * RPM, 15000 * RPM],
      wanted: false,
    })
    start(`start.${point}.temperature`, `${word}: oil temperature`, {
      dimension: 'temperature',
      sigma: 1,
      plausible: [-40, 170],
      wanted: false,
    })
  }
  const span = (fallback: number, plausible: [number, number]): Draft => ({
    dimension: 'span',
    fallback,
    fallbackSigma: 0,
    sigma: 60,
    plausible,
    wanted: false,
    planned: true,
  })
  const distance = (fallback: number): Draft => ({
    dimension: 'distance',
    fallback,
    fallbackSigma: 0,
    sigma: 1e3,
    plausible: [1e3, 5e7],
    wanted: false,
    planned: true,
  })
  start('start.breakInTime', 'Fast idle for', { ...seconds(25 * 60, [5 * 60, 60 * 60]), planned: true })
  start('start.changeHours', 'First oil and filter change after', span(10 * 3600, [600, 2000 * 3600]))
  start('start.hoursPerWeek', 'It runs in a week', span(5 * 3600, [60, 168 * 3600]))
  start('start.changeDistance', 'First oil and filter change after, by distance', distance(800e3))
  start('start.distancePerWeek', 'It goes in a week', distance(200e3))
  return list
}

/** Where a journal or bore can be read beside its first vertical reading in front: the angle to either side, and the rear plane. */
export const PLACES: [place: string, words: string][] = [
  ['left', '60° left'],
  ['right', '60° right'],
  ['rear', 'rear'],
  ['rearLeft', 'rear, 60° left'],
  ['rearRight', 'rear, 60° right'],
]

/** Steady points captured at the first start, by the state they are judged as. */
export const START_POINTS: [point: 'idleCold' | 'fastIdle' | 'idleHot' | 'workingHot', word: string][] = [
  ['idleCold', 'Idle cold'],
  ['fastIdle', 'Fast idle'],
  ['idleHot', 'Idle hot'],
  ['workingHot', 'Working hot'],
]
