import { newSheet } from '../core/build/layouts'
import { FIRST_HOUSE } from '../core/house/first'
import type { House } from '../core/house/schema'
import { quantitiesOf } from '../core/build/quantities'
import { Sheet, type Reading } from '../core/build/schema'
import { normal, seeded } from '../core/random/random'
import { findUnit } from '../core/units/parse'
import { UNITS, toSI } from '../core/units/units'

/** The workshop of the demo: Brackwater Engine Shed. Everything here is invented. */

const START = Date.parse('2026-05-11T08:00:00Z')

/** Records readings as hands would: one after the other, in a unit, with an instrument, by someone. */
function recorder(sheet: Sheet, by: string, day: number) {
  const quantities = new Map(quantitiesOf(sheet.layout).map((quantity) => [quantity.key, quantity]))
  let minute = 0
  const at = () => new Date(START + day * 86_400_000 + minute++ * 95_000).toISOString()
  return {
    read(instrument: string, unit: string, entries: Record<string, number>, source: Reading['source'] = 'measured') {
      for (const [key, number] of Object.entries(entries)) {
        const quantity = quantities.get(key)
        if (!quantity) throw new Error(`demo: no quantity ${key}`)
        const found = findUnit(unit, quantity.dimension) ?? UNITS[quantity.dimension][0]
        sheet.readings[key] = { value: Number(toSI(number, found).toPrecision(9)), source, by, at: at(), typed: `${number} ${unit}`.trim(), ...(instrument ? { instrument } : {}) }
      }
    },
    check(keys: string[], state: 'done' | 'fault' = 'done', note?: string) {
      for (const key of keys) sheet.checks[key] = { state, by, at: at(), ...(note ? { note } : {}) }
    },
  }
}

interface BearingRun {
  /** Nominal journal, mm. */
  journal: number
  /** Clearances wanted, mm, front to back. */
  clearances: number[]
}

/** Journals scatter by two microns, bores follow so that the clearances come out as wanted; all journals first, then all bores. */
function recordBearings(hand: ReturnType<typeof recorder>, set: string, { journal, clearances }: BearingRun, micrometer: string, seed: number, skip: number[] = []) {
  const random = seeded(seed)
  const journals: Record<string, number> = {}
  const bores: Record<string, number> = {}
  clearances.forEach((clearance, i) => {
    if (skip.includes(i + 1)) return
    const own = Number((journal + 0.001 * Math.round(1.2 * normal(random))).toFixed(3))
    journals[`${set}.${i + 1}.journal`] = own
    bores[`${set}.${i + 1}.bore`] = Number((own + clearance).toFixed(3))
  })
  hand.read(micrometer, 'mm', journals)
  hand.read('Bore gauge 50 to 100', 'mm', bores)
}

function brief(sheet: Sheet, by: string, day: number, speeds: [number, number, number, number, number], cold: number, hot: number, size: [number, number]) {
  const hand = recorder(sheet, by, day)
  const [idle, coldIdle, working, maximum, cranking] = speeds
  hand.read('', 'rpm', { 'brief.idleSpeed': idle, 'brief.coldIdleSpeed': coldIdle, 'brief.workingSpeed': working, 'brief.maximumSpeed': maximum, 'brief.crankingSpeed': cranking }, 'maker')
  hand.read('', '°C', { 'brief.coldStart': cold, 'brief.hotOil': hot }, 'maker')
  hand.read('', 'mm', { 'size.cylinderBore': size[0], 'size.stroke': size[1] }, 'maker')
  return hand
}

/** Petrol inline six out of the lake ferry: everything measured, about to be primed. */
function ottiline(): Sheet {
  const sheet = newSheet('inline6', 'Ottiline', 'Hesper 3.6', 'Lake ferry, out for its winter rebuild')
  sheet.use = 'marine'
  sheet.oil.grade = '15W-40'
  const hand = brief(sheet, 'Maren', 0, [650, 900, 3200, 4200, 180], 8, 95, [88, 98.5])
  hand.read('', 'mm', { 'limit.mainLeast': 0.04, 'limit.mainMost': 0.076, 'limit.rodLeast': 0.035, 'limit.rodMost': 0.07 }, 'maker')
  hand.read('', 'bar', { 'maker.idleHot': 1.4, 'maker.workingHot': 3, 'maker.ceiling': 6 }, 'maker')
  hand.read('Depth gauge', 'mm', { 'size.mainLength': 24.5, 'size.mainLand': 8.6, 'size.rodLength': 21.4, 'passage.rockerRestrictor': 1.3, 'passage.timingJet': 0.8 })
  const bench = recorder(sheet, 'Maren', 2)
  recordBearings(bench, 'main', { journal: 65.98, clearances: [0.056, 0.058, 0.057, 0.06, 0.057, 0.061, 0.056] }, 'Micrometer 50 to 75', 7)
  recordBearings(bench, 'rod', { journal: 53.984, clearances: [0.051, 0.052, 0.058, 0.05, 0.054, 0.052] }, 'Micrometer 50 to 75', 8)
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.058 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Ilse', 4)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 40.02, 'pump.centres': 33.98, 'pump.rotorLength': 20.4 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.07, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', { 'relief.plungerDiameter': 12.68, 'relief.freeLength': 48.35, 'relief.installedLength': 41.2, 'relief.shims': 1.5, 'relief.solidLength': 27.4, 'relief.portDiameter': 7, 'relief.overlap': 0 })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 5.92 })
  pump.check(['relief.falls'])
  const sump = recorder(sheet, 'Maren', 5)
  sump.read('Depth gauge', 'mm', { 'pickup.sumpDepth': 178, 'pickup.protrusion': 168.5, 'pickup.tubeDiameter': 15.9, 'pickup.tubeLength': 260, 'pickup.mouthDiameter': 56, 'pickup.lift': 55 })
  sump.check(['pickup.seal', 'pickup.tight', 'pickup.screen'])
  return sheet
}

/** V four from a snow tractor: bearings half measured, one main out of limit. */
function talvik(): Sheet {
  const sheet = newSheet('v4', 'Rescue tractor 2', 'Talvik 1.9', 'Mountain-rescue snow tractor')
  sheet.use = 'farm'
  sheet.oil.grade = '5W-40'
  const hand = brief(sheet, 'Tobi', 3, [750, 1100, 2800, 4800, 160], -20, 100, [90, 74])
  hand.read('', 'mm', { 'limit.mainLeast': 0.035, 'limit.mainMost': 0.07, 'limit.rodLeast': 0.03, 'limit.rodMost': 0.065 }, 'maker')
  const bench = recorder(sheet, 'Tobi', 6)
  recordBearings(bench, 'main', { journal: 56.985, clearances: [0.052, 0.088, 0.054] }, 'Micrometer 50 to 75', 11)
  recordBearings(bench, 'rod', { journal: 49.988, clearances: [0.048, 0.05, 0.047, 0.05] }, 'Micrometer 25 to 50', 12, [3, 4])
  return sheet
}

/** V eight that drives a fairground generator: started, hot idle low. */
function dunmarrow(): Sheet {
  const sheet = newSheet('v8', 'Carousel set', 'Dunmarrow 5.4', 'Fairground generator')
  sheet.use = 'generator'
  sheet.oil.grade = '10W-40'
  const hand = brief(sheet, 'Ilse', 1, [700, 1000, 1500, 3600, 190], 5, 98, [101, 84])
  hand.read('', 'bar', { 'maker.idleHot': 1.2, 'maker.workingHot': 2.5 }, 'maker')
  hand.read('Depth gauge', 'mm', { 'size.mainLength': 25, 'size.mainLand': 8.8, 'size.rodLength': 22, 'passage.rockerRestrictor': 1.4, 'passage.timingJet': 0.9 })
  const bench = recorder(sheet, 'Ilse', 8)
  recordBearings(bench, 'main', { journal: 69.98, clearances: [0.061, 0.063, 0.06, 0.064, 0.062] }, 'Micrometer 50 to 75', 21)
  recordBearings(bench, 'rod', { journal: 54.99, clearances: [0.056, 0.058, 0.055, 0.057, 0.059, 0.056, 0.057, 0.058] }, 'Micrometer 50 to 75', 22)
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.055 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Tobi', 9)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 42, 'pump.centres': 35.6, 'pump.rotorLength': 25.5 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.08, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', { 'relief.plungerDiameter': 14, 'relief.freeLength': 52.1, 'relief.installedLength': 43.6, 'relief.solidLength': 27.9, 'relief.portDiameter': 8, 'relief.overlap': 0 })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 6.6 })
  pump.check(['relief.falls'])
  pump.read('Depth gauge', 'mm', { 'pickup.sumpDepth': 196, 'pickup.protrusion': 187, 'pickup.tubeDiameter': 17, 'pickup.tubeLength': 240, 'pickup.mouthDiameter': 60 })
  pump.check(['pickup.seal', 'pickup.tight', 'pickup.screen', 'prime.packed', 'prime.filled', 'prime.gauge', 'prime.drill'])
  pump.check([90, 180, 270, 360, 450, 540, 630, 720].map((turn) => `prime.crank${turn}`))
  pump.check(['prime.rocker1', 'prime.rocker2', 'prime.rocker3', 'prime.rocker4', 'prime.rocker5', 'prime.rocker6', 'prime.rocker7', 'prime.rocker8', 'prime.lifters', 'prime.jet', 'prime.weeps'])
  pump.read('', 'rpm', { 'prime.drillSpeed': 400 })
  pump.read('Thermometer', '°C', { 'prime.oilTemperature': 14 })
  pump.read('Mechanical gauge', 'bar', { 'prime.pressure': 3.8 })
  const start = recorder(sheet, 'Ilse', 10)
  start.check(['start.oil', 'start.fuel', 'start.gauge', 'start.pulley', 'start.extinguisher', 'start.clear', 'start.switch'])
  start.read('Watch', 's', { 'start.firstPressure': 3 })
  start.read('Mechanical gauge', 'bar', { 'start.idleCold.pressure': 3.7, 'start.idleHot.pressure': 0.8, 'start.workingHot.pressure': 2.6 })
  start.read('Tachometer', 'rpm', { 'start.idleCold.speed': 1010, 'start.idleHot.speed': 690, 'start.workingHot.speed': 1500 })
  start.read('Thermometer', '°C', { 'start.idleCold.temperature': 14, 'start.idleHot.temperature': 96, 'start.workingHot.temperature': 98 })
  return sheet
}

/** Three-cylinder diesel out of an irrigation barge: two relief valves, relief planning under way. */
function pell(): Sheet {
  const sheet = newSheet('inline3', 'Barge pump', 'Pell 3D', 'Irrigation barge, river end')
  sheet.layout.galleryRelief = true
  sheet.layout.followers = 'roller'
  sheet.layout.lifters = 'solid'
  sheet.use = 'farm'
  sheet.oil.grade = '15W-40'
  const hand = brief(sheet, 'Oda', 0, [800, 1000, 1800, 2400, 150], 2, 92, [95, 110])
  hand.read('', 'mm', { 'limit.mainLeast': 0.045, 'limit.mainMost': 0.09, 'limit.rodLeast': 0.04, 'limit.rodMost': 0.08 }, 'maker')
  const bench = recorder(sheet, 'Oda', 7)
  recordBearings(bench, 'main', { journal: 67.97, clearances: [0.066, 0.068, 0.065, 0.067] }, 'Micrometer 50 to 75', 31)
  recordBearings(bench, 'rod', { journal: 57.98, clearances: [0.06, 0.061, 0.059] }, 'Micrometer 50 to 75', 32)
  bench.check(['bearings.turns'])
  bench.read('Caliper', 'mm', { 'pump.rotorDiameter': 38.1, 'pump.centres': 31.9, 'pump.rotorLength': 18 })
  bench.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.06, 'pump.tipClearance': 0.08 })
  bench.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  bench.read('Caliper', 'mm', { 'relief.plungerDiameter': 12, 'relief.freeLength': 46.2, 'relief.installedLength': 38.4 })
  bench.read('Spring tester', 'N/mm', { 'relief.springRate': 5.6 })
  return sheet
}

export const DEMO_BUILDS: Record<string, () => Sheet> = { ottiline, talvik, dunmarrow, pell }

/** What lies in the workshop's drawers: shells for the tractor and the ferry, instruments zeroed that spring. */
export function demoHouse(): House {
  const shells = (engine: string, set: 'main' | 'rod', grades: [wall: number, upper: number, lower: number][]): House['shells'] => grades.flatMap(([wall, upper, lower]) => (['upper', 'lower'] as const).map((half) => ({
    id: `${engine} ${set} ${half} ${wall === 0 ? 'standard' : `${wall > 0 ? '+' : '−'}${Math.abs(wall)}`}`, engine, set, half, wall: wall / 1000, count: half === 'upper' ? upper : lower,
  })))
  return {
    ...FIRST_HOUSE, instruments: FIRST_HOUSE.instruments.map((instrument) => ({ ...instrument, zeroedAt: new Date(START - 86_400_000).toISOString() })),
    shells: [...shells('Talvik 1.9', 'main', [[-0.006, 1, 1], [0, 4, 4], [0.006, 2, 2], [0.012, 2, 2], [0.018, 1, 2]]), ...shells('Hesper 3.6', 'main', [[-0.006, 2, 2], [0, 7, 7], [0.006, 3, 3], [0.012, 1, 1]])],
  }
}
