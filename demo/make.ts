import { passagesOf, quantitiesOf } from '../core/engine/catalogue'
import { newSheet } from '../core/record/layouts'
import { FIRST_HOUSE } from '../core/house/first'
import { ShelfEntry } from '../core/shelf/schema'
import type { House } from '../core/house/schema'
import { Sheet, type Reading } from '../core/record/schema'
import { normal, seeded } from '../core/random/random'
import { findUnit } from '../core/quantity/parse'
import { UNITS, toSI } from '../core/quantity/units'

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
        sheet.readings[key] = {
          value: Number(toSI(number, found).toPrecision(9)),
          source,
          by,
          at: at(),
          typed: `${number} ${unit}`.trim(),
          ...(instrument ? { instrument } : {}),
        }
      }
    },
    check(keys: string[], state: 'done' | 'fault' = 'done', note?: string) {
      for (const key of keys) sheet.checks[key] = { state, by, at: at(), ...(note ? { note } : {}) }
    },
    find(entries: Record<string, string>, note?: string) {
      for (const [key, finding] of Object.entries(entries))
        sheet.inspections[key] = { finding, by, at: at(), ...(note ? { note } : {}) }
    },
    /** Every passage of the layout fitted or as it belongs, sealed as said. */
    walk(sealed: string) {
      for (const { key, fit, sealed: wants } of passagesOf(sheet.layout)) {
        const finding = fit ? fit.right : 'fitted'
        sheet.inspections[key] = { finding, by, at: at() }
        if (wants) sheet.choices[`${key}.seal`] = sealed
      }
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
function recordBearings(
  hand: ReturnType<typeof recorder>,
  set: string,
  { journal, clearances }: BearingRun,
  micrometer: string,
  seed: number,
  skip: number[] = [],
) {
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

function brief(
  sheet: Sheet,
  by: string,
  day: number,
  speeds: [number, number, number, number, number],
  cold: number,
  hot: number,
  size: [number, number],
) {
  const hand = recorder(sheet, by, day)
  const [idle, coldIdle, working, maximum, cranking] = speeds
  hand.read(
    '',
    'rpm',
    {
      'brief.idleSpeed': idle,
      'brief.coldIdleSpeed': coldIdle,
      'brief.workingSpeed': working,
      'brief.maximumSpeed': maximum,
      'brief.crankingSpeed': cranking,
    },
    'maker',
  )
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
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.04, 'limit.mainMost': 0.076, 'limit.rodLeast': 0.035, 'limit.rodMost': 0.07 },
    'maker',
  )
  hand.read('', 'bar', { 'maker.idleHot': 1.4, 'maker.workingHot': 3, 'maker.ceiling': 6 }, 'maker')
  hand.read('Depth gauge', 'mm', {
    'size.mainLength': 24.5,
    'size.mainLand': 8.6,
    'size.rodLength': 21.4,
    'passage.rockerRestrictor': 1.3,
    'passage.timingJet': 0.8,
  })
  const bench = recorder(sheet, 'Maren', 2)
  recordBearings(
    bench,
    'main',
    { journal: 65.98, clearances: [0.056, 0.058, 0.057, 0.06, 0.057, 0.061, 0.056] },
    'Micrometer 50 to 75',
    7,
  )
  recordBearings(
    bench,
    'rod',
    { journal: 53.984, clearances: [0.051, 0.052, 0.058, 0.05, 0.054, 0.052] },
    'Micrometer 50 to 75',
    8,
  )
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.058 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Ilse', 4)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 40.02, 'pump.centres': 33.98, 'pump.rotorLength': 20.4 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.07, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', {
    'relief.plungerDiameter': 12.68,
    'relief.freeLength': 48.35,
    'relief.installedLength': 41.2,
    'relief.shims': 1.5,
    'relief.solidLength': 27.4,
    'relief.portDiameter': 7,
    'relief.overlap': 0,
  })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 5.92 })
  pump.read('Caliper', 'mm', {
    'relief.wire': 1.8,
    'relief.coilDiameter': 10.6,
    'relief.plugBore': 16,
    'relief.plugHole': 5,
    'pump.coverThickness': 9.8,
    'pump.floorThickness': 11.2,
  })
  pump.find({
    'pump.cover': 'seen',
    'pump.bodyFace': 'clean',
    'pump.pocket': 'clean',
    'pump.rotors': 'seen',
    'pump.shaft': 'clean',
  })
  Object.assign(sheet.choices, {
    'pump.packing': 'assembly-lubricant',
    'pump.coverSeal': 'sealer',
    'pump.drive': 'slot',
    'relief.stack': '1.0 + 0.5',
  })
  pump.check(['pump.turns', 'pump.washed', 'relief.falls', 'relief.seals', 'relief.byHand', 'relief.marked'])
  const sump = recorder(sheet, 'Maren', 5)
  sump.read('Depth gauge', 'mm', {
    'pickup.oilDepth': 74,
    'pickup.offset': 60,
    'pickup.sumpLength': 420,
    'pickup.sumpWidth': 190,
  })
  sump.read('Measuring can', 'L', { 'pickup.capacity': 7.5, 'pickup.filterVolume': 0.8 })
  sump.find({ 'pickup.airTest': 'holds' })
  sump.walk('sealer')
  sump.read('Depth gauge', 'mm', {
    'pickup.sumpDepth': 178,
    'pickup.protrusion': 168.5,
    'pickup.tubeDiameter': 15.9,
    'pickup.tubeLength': 260,
    'pickup.mouthDiameter': 56,
    'pickup.lift': 55,
  })
  sump.check(['pickup.seal', 'pickup.tight', 'pickup.screen'])
  return sheet
}

/** V four from a snow tractor: bearings half measured, one main out of limit. */
function talvik(): Sheet {
  const sheet = newSheet('v4', 'Rescue tractor 2', 'Talvik 1.9', 'Mountain-rescue snow tractor')
  sheet.use = 'farm'
  sheet.oil.grade = '5W-40'
  const hand = brief(sheet, 'Tobi', 3, [750, 1100, 2800, 4800, 160], -20, 100, [90, 74])
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.035, 'limit.mainMost': 0.07, 'limit.rodLeast': 0.03, 'limit.rodMost': 0.065 },
    'maker',
  )
  const bench = recorder(sheet, 'Tobi', 6)
  recordBearings(bench, 'main', { journal: 56.985, clearances: [0.052, 0.088, 0.054] }, 'Micrometer 50 to 75', 11)
  recordBearings(
    bench,
    'rod',
    { journal: 49.988, clearances: [0.048, 0.05, 0.047, 0.05] },
    'Micrometer 25 to 50',
    12,
    [3, 4],
  )
  return sheet
}

/** V eight that drives a fairground generator: started, hot idle low. */
function dunmarrow(): Sheet {
  const sheet = newSheet('v8', 'Carousel set', 'Dunmarrow 5.4', 'Fairground generator')
  sheet.use = 'generator'
  sheet.oil.grade = '10W-40'
  const hand = brief(sheet, 'Ilse', 1, [700, 1000, 1500, 3600, 190], 5, 98, [101, 84])
  hand.read('', 'bar', { 'maker.idleHot': 1.2, 'maker.workingHot': 2.5 }, 'maker')
  hand.read('Depth gauge', 'mm', {
    'size.mainLength': 25,
    'size.mainLand': 8.8,
    'size.rodLength': 22,
    'passage.rockerRestrictor': 1.4,
    'passage.timingJet': 0.9,
  })
  const bench = recorder(sheet, 'Ilse', 8)
  recordBearings(
    bench,
    'main',
    { journal: 69.98, clearances: [0.061, 0.063, 0.06, 0.064, 0.062] },
    'Micrometer 50 to 75',
    21,
  )
  recordBearings(
    bench,
    'rod',
    { journal: 54.99, clearances: [0.056, 0.058, 0.055, 0.057, 0.059, 0.056, 0.057, 0.058] },
    'Micrometer 50 to 75',
    22,
  )
  bench.read('Plastic gauge', 'mm', { 'cam.clearance': 0.055 })
  bench.check(['bearings.turns'])
  const pump = recorder(sheet, 'Tobi', 9)
  pump.read('Caliper', 'mm', { 'pump.rotorDiameter': 42, 'pump.centres': 35.6, 'pump.rotorLength': 25.5 })
  pump.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.08, 'pump.tipClearance': 0.09 })
  pump.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  pump.read('Caliper', 'mm', {
    'relief.plungerDiameter': 14,
    'relief.freeLength': 52.1,
    'relief.installedLength': 43.6,
    'relief.solidLength': 27.9,
    'relief.portDiameter': 8,
    'relief.overlap': 0,
  })
  pump.read('Spring tester', 'N/mm', { 'relief.springRate': 6.6 })
  pump.find({
    'pump.cover': 'seen',
    'pump.bodyFace': 'clean',
    'pump.pocket': 'seen',
    'pump.rotors': 'clean',
    'pump.shaft': 'clean',
    'pickup.airTest': 'holds',
  })
  Object.assign(sheet.choices, { 'pump.packing': 'assembly-lubricant', 'pump.coverSeal': 'gasket' })
  pump.check(['pump.turns', 'pump.washed', 'relief.falls', 'relief.seals', 'relief.byHand'])
  pump.walk('sealer')
  pump.read('Depth gauge', 'mm', {
    'pickup.sumpDepth': 196,
    'pickup.protrusion': 187,
    'pickup.tubeDiameter': 17,
    'pickup.tubeLength': 240,
    'pickup.mouthDiameter': 60,
  })
  pump.check([
    'pickup.seal',
    'pickup.tight',
    'pickup.screen',
    'prime.packed',
    'prime.filled',
    'prime.gauge',
    'prime.drill',
  ])
  pump.check([90, 180, 270, 360, 450, 540, 630, 720].map((turn) => `prime.crank${turn}`))
  pump.check([
    'prime.rocker1',
    'prime.rocker2',
    'prime.rocker3',
    'prime.rocker4',
    'prime.rocker5',
    'prime.rocker6',
    'prime.rocker7',
    'prime.rocker8',
    'prime.lifters',
    'prime.jet',
    'prime.weeps',
  ])
  pump.read('', 'rpm', { 'prime.drillSpeed': 400 })
  pump.read('Thermometer', '°C', { 'prime.oilTemperature': 14 })
  pump.read('Mechanical gauge', 'bar', { 'prime.pressure': 3.8 })
  const start = recorder(sheet, 'Ilse', 10)
  start.check([
    'start.oil',
    'start.fuel',
    'start.gauge',
    'start.pulley',
    'start.extinguisher',
    'start.clear',
    'start.switch',
  ])
  start.read('Watch', 's', { 'start.firstPressure': 3 })
  start.read('Mechanical gauge', 'bar', {
    'start.idleCold.pressure': 3.7,
    'start.idleHot.pressure': 0.8,
    'start.workingHot.pressure': 2.6,
  })
  start.read('Tachometer', 'rpm', {
    'start.idleCold.speed': 1010,
    'start.idleHot.speed': 690,
    'start.workingHot.speed': 1500,
  })
  start.read('Thermometer', '°C', {
    'start.idleCold.temperature': 14,
    'start.idleHot.temperature': 96,
    'start.workingHot.temperature': 98,
  })
  return sheet
}

/** Three-cylinder diesel out of an irrigation barge: two relief valves, relief planning under way. */
function pell(): Sheet {
  const sheet = newSheet('inline3', 'Barge pump', 'Pell 3D', 'Irrigation barge, river end')
  sheet.layout.galleryRelief = true
  sheet.layout.coolerPlugged = true
  sheet.layout.followers = 'roller'
  sheet.layout.lifters = 'solid'
  sheet.use = 'farm'
  sheet.oil.grade = '15W-40'
  const hand = brief(sheet, 'Oda', 0, [800, 1000, 1800, 2400, 150], 2, 92, [95, 110])
  hand.read(
    '',
    'mm',
    { 'limit.mainLeast': 0.045, 'limit.mainMost': 0.09, 'limit.rodLeast': 0.04, 'limit.rodMost': 0.08 },
    'maker',
  )
  const bench = recorder(sheet, 'Oda', 7)
  recordBearings(bench, 'main', { journal: 67.97, clearances: [0.066, 0.068, 0.065, 0.067] }, 'Micrometer 50 to 75', 31)
  recordBearings(bench, 'rod', { journal: 57.98, clearances: [0.06, 0.061, 0.059] }, 'Micrometer 50 to 75', 32)
  bench.check(['bearings.turns'])
  bench.read('Caliper', 'mm', { 'pump.rotorDiameter': 38.1, 'pump.centres': 31.9, 'pump.rotorLength': 18 })
  bench.read('Feeler gauge', 'mm', { 'pump.endClearance': 0.06, 'pump.tipClearance': 0.08 })
  bench.read('', '', { 'pump.driveRatio': 0.5 }, 'maker')
  bench.read('Caliper', 'mm', {
    'relief.plungerDiameter': 12,
    'relief.freeLength': 46.2,
    'relief.installedLength': 38.4,
  })
  bench.read('Spring tester', 'N/mm', { 'relief.springRate': 5.6 })
  bench.find({
    'pump.cover': 'catches',
    'pump.bodyFace': 'clean',
    'pump.pocket': 'seen',
    'pump.rotors': 'seen',
    'pump.shaft': 'clean',
  })
  bench.check(['pump.turns', 'pump.washed'])
  return sheet
}

export const DEMO_BUILDS: Record<string, () => Sheet> = { ottiline, talvik, dunmarrow, pell }

/** What the workshop keeps: instruments zeroed that spring. */
export function demoHouse(): House {
  return {
    ...FIRST_HOUSE,
    instruments: FIRST_HOUSE.instruments.map((instrument) => ({
      ...instrument,
      zeroedAt: new Date(START - 86_400_000).toISOString(),
    })),
    cautions: [{ station: 'pickup', words: 'Sump pans of the ferry weigh 14 kg: two hands, and a stand under it.' }],
  }
}

/** What lies on the workshop's shelf, each in the units of its property. */
export function demoShelf(): ShelfEntry[] {
  const mm = (value: number) => Number((value / 1000).toPrecision(6))
  const item = (
    kind: ShelfEntry['kind'],
    label: string,
    count: number,
    properties: ShelfEntry['properties'],
    more: Partial<ShelfEntry> = {},
  ): ShelfEntry => ShelfEntry.parse({ kind, label, count, properties, ...more })
  const shells = (engine: string, set: 'main' | 'rod', grades: [wall: number, upper: number, lower: number][]) =>
    grades.flatMap(([wall, upper, lower]) =>
      (['upper', 'lower'] as const).map((half) =>
        item(
          'shell',
          `${engine} ${set} ${half} ${wall === 0 ? 'standard' : `${wall > 0 ? '+' : '−'}${Math.abs(wall)}`}`,
          half === 'upper' ? upper : lower,
          { set, half, wall: mm(wall) },
          { engine, place: 'Shell cabinet', price: 9.5 },
        ),
      ),
    )
  const spring = (
    label: string,
    rate: number,
    free: number,
    solid: number,
    wire: number,
    coil: number,
    count: number,
  ) =>
    item(
      'spring',
      label,
      count,
      { springRate: rate * 1000, freeLength: mm(free), solidLength: mm(solid), wire: mm(wire), coilDiameter: mm(coil) },
      { place: 'Spring tray', price: 6 },
    )
  const washer = (thickness: number, count: number, stainless = 'yes', outside = 14, hole = 6.4) =>
    item(
      'washer',
      `Washer ${thickness.toFixed(2)}${stainless === 'yes' ? '' : ' plain steel'}${outside === 14 ? '' : `, ${outside} wide`}`,
      count,
      { thickness: mm(thickness), outside: mm(outside), hole: mm(hole), stainless },
      { place: 'Washer drawer', price: 0.3 },
    )
  const oil = (
    label: string,
    kv40: number,
    kv100: number,
    density15: number,
    highShear150: number,
    pumpingLimit: number,
    count: number,
    breakIn = 'no',
  ) =>
    item(
      'oil',
      label,
      count,
      { kv40, kv100, density15, highShear150, pumpingLimit, antiWear: breakIn, breakIn },
      { place: 'Oil rack', price: 38 },
    )
  const pump = (
    label: string,
    engine: string,
    displacement: number,
    rotor: [diameter: number, length: number, end: number, tip: number],
    count: number,
    more: ShelfEntry['properties'] = {},
    price = 95,
  ) =>
    item(
      'pump',
      label,
      count,
      {
        displacement: displacement * 1e-6,
        rotorDiameter: mm(rotor[0]),
        rotorLength: mm(rotor[1]),
        endClearance: mm(rotor[2]),
        tipClearance: mm(rotor[3]),
        ...more,
      },
      { engine, place: 'Pump shelf', price },
    )
  return [
    ...shells('Talvik 1.9', 'main', [
      [-0.006, 1, 1],
      [0, 4, 4],
      [0.006, 2, 2],
      [0.012, 2, 2],
      [0.018, 1, 2],
    ]),
    ...shells('Hesper 3.6', 'main', [
      [-0.006, 2, 2],
      [0, 7, 7],
      [0.006, 3, 3],
      [0.012, 1, 1],
    ]),
    spring('Spring A, blue', 5.9, 48.4, 27.4, 1.8, 10.6, 3),
    spring('Spring B, green', 6.8, 48.4, 28.6, 1.9, 10.6, 2),
    spring('Spring C, plain', 7.9, 48.2, 30.1, 2, 10.7, 1),
    spring('Spring D, short', 5.6, 45.8, 24, 1.75, 10.4, 2),
    washer(0.5, 6),
    washer(0.8, 4),
    washer(1, 5),
    washer(1.2, 3),
    washer(1.5, 2),
    washer(1, 8, 'no'),
    washer(0.6, 4, 'yes', 18),
    oil('15W-40 drum', 108, 14.6, 880, 4.1, -20, 4),
    oil('10W-40 can', 95, 14.2, 872, 4, -25, 6),
    oil('20W-50 can', 165, 18.6, 888, 4.9, -15, 5),
    oil('Break-in 30', 96, 11.2, 884, 3.6, -10, 3, 'yes'),
    pump('Ferry pump, standard', 'Hesper 3.6', 14.6, [40.05, 20.6, 0.06, 0.08], 1, {
      drive: 'slot',
      year: 'late',
      driveLength: mm(62),
    }),
    pump(
      'Ferry pump, long',
      'Hesper 3.6',
      17.8,
      [40.05, 25.2, 0.06, 0.08],
      1,
      { drive: 'slot', year: 'late', driveLength: mm(62) },
      140,
    ),
    pump('Carousel pump, long', 'Dunmarrow 5.4', 26.5, [42.1, 31.2, 0.06, 0.08], 1, { drive: 'hexagon' }, 160),
    item(
      'filter',
      'Filter can, short',
      8,
      { loss: 16e3, bypass: 1e5, antiDrain: 'yes', volume: 0.5e-3 },
      { place: 'Filter bin', price: 7 },
    ),
    item(
      'filter',
      'Filter can, long',
      5,
      { loss: 11e3, bypass: 1.2e5, antiDrain: 'yes', volume: 0.8e-3 },
      { place: 'Filter bin', price: 9 },
    ),
    item(
      'relief',
      'Gallery valve, late form',
      2,
      {
        plungerDiameter: mm(12),
        springRate: 5600,
        freeLength: mm(46.2),
        installedLength: mm(39.7),
        reach: mm(42),
        thread: mm(14),
      },
      { engine: 'Pell 3D', place: 'Spring tray', price: 24 },
    ),
  ]
}
