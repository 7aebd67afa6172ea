import { FIRST_HOUSE } from '../core/house/first'
import type { House } from '../core/house/schema'
import { ShelfEntry } from '../core/shelf/schema'
import { START } from './hand'

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
