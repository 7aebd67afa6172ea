import { gearDisplacement } from '../pump/displacement'
import { type GerotorProfile, gerotorFromProfile } from '../pump/gerotor'
import type { PumpGaps } from '../pump/slip'
import { ruleOf } from '../house/limits'
import { type Limit, limitOf } from '../house/makerLimits'
import type { Verdict } from '../quantity/verdict'
import type { Sourced } from '../record/sourced'
import type { Layout, Sheet } from '../record/schema'
import { gap, length, MICRON, MM, plain, typical } from './drafts'
import { WORK } from './pumpWork'
import { reading, sized, valueOf } from './reading'

export const gears = ({ pumpKind }: Layout) => pumpKind === 'gear'
const gerotor = ({ pumpKind }: Layout) => pumpKind === 'gerotor'
const ofKind = { ofPumpKind: true }
const wanted = { wanted: true }

const DISPLACEMENT = reading(
  'pump',
  'pump.displacement',
  'Displacement',
  (layout) => {
    const { displacement } = typical(layout)
    return {
      dimension: 'displacement',
      fallback: displacement,
      fallbackSigma: 0.15 * displacement,
      sigma: 0.02 * displacement,
      plausible: [0.5e-6, 200e-6],
      wanted: true,
      minutes: 6,
      ...ofKind,
    }
  },
  undefined,
  ({ readings }) => 'pump.centres' in readings || 'pump.toothRadius' in readings,
)
const END = reading(
  'pump',
  'pump.endClearance',
  'End clearance',
  gap(70 * MICRON, 0.3, [10 * MICRON, 500 * MICRON], { ...wanted, minutes: 5, ...ofKind }),
)
const TIP = reading(
  'pump',
  'pump.tipClearance',
  'Tip clearance',
  gap(75 * MICRON, 0.3, [10 * MICRON, 1 * MM], { ...wanted, minutes: 5, ...ofKind }),
)
const GASKET = reading('pump', 'pump.gasket', 'Cover gasket, pressed, where the gap was taken without it', {
  ...gap(0, 0, [0, 500 * MICRON]),
  fallbackSigma: 0,
  view: 'close',
})

/** Displacement: typed, or from the geometry of gears or rotors where all of it is recorded, or the layout's, by the length of the rotors once that was read. */
export function pumpDisplacement(sheet: Sheet): Sourced {
  const held = valueOf(sheet, DISPLACEMENT)
  if (held.source !== 'layout') return held
  const long = sheet.readings['pump.rotorLength']?.value
  if (long === undefined) return held
  const value = gears(sheet.layout) ? byGears(sheet, long) : byProfile(sheet, long)
  if (value !== undefined) return { value, sigma: 0.02 * value, source: 'computed' }
  const scale = long / usualLength(sheet.layout)
  return { value: scale * held.value, sigma: scale * held.sigma, source: 'layout' }
}

function byGears({ readings }: Sheet, long: number): number | undefined {
  const [outside, centres] = ['pump.rotorDiameter', 'pump.centres'].map((key) => readings[key]?.value)
  return outside !== undefined && centres !== undefined && meshes(outside, centres)
    ? gearDisplacement(outside, centres, long)
    : undefined
}

function byProfile({ readings }: Sheet, length: number): number | undefined {
  const [lobes, eccentricity, toothCentres, toothRadius] = PROFILE.map(({ key }) => readings[key]?.value)
  if (lobes === undefined || eccentricity === undefined || toothCentres === undefined || toothRadius === undefined)
    return undefined
  return turns({ lobes, eccentricity, toothCentres, toothRadius, length })
    ? gerotorFromProfile({ lobes, eccentricity, toothCentres, toothRadius, length })
    : undefined
}

/** Whether a profile makes rotors that turn in one another. */
export const turns = ({ lobes, eccentricity, toothCentres, toothRadius }: GerotorProfile): boolean =>
  Number.isInteger(lobes) && lobes >= 3 && toothCentres > eccentricity * (lobes + 1) && toothRadius < toothCentres

/**
 * Whether equal gears mesh at a distance: with z teeth a = D_a z / (z + 2), from five teeth, which pump gears hardly go under, to a hundred, over which the teeth no longer
 * reach one another.
 */
export const meshes = (outside: number, centres: number): boolean =>
  centres >= (5 / 7) * outside && centres <= (100 / 102) * outside

const usualLength = (layout: Layout) => (gears(layout) ? 28 : 16) * MM

/** End clearance as it runs: what was measured, and the cover's gasket where it was not under it. */
export function endClearance(sheet: Sheet): Sourced {
  const measured = valueOf(sheet, END)
  const gasket = valueOf(sheet, GASKET)
  return gasket.value === 0
    ? measured
    : {
        value: measured.value + gasket.value,
        sigma: Math.hypot(measured.sigma, gasket.sigma),
        source: measured.source,
      }
}

const port = <const P extends 'suction' | 'outlet'>(name: P, word: string) => ({
  before: reading(
    'pump',
    `pump.${name}PortBefore`,
    `${word} port before`,
    plain('length', 0.05 * MM, [3 * MM, 60 * MM], { view: 'ports' }),
  ),
  now: reading(
    'pump',
    `pump.${name}Port`,
    `${word} port now`,
    plain('length', 0.05 * MM, [3 * MM, 60 * MM], { view: 'ports' }),
  ),
  wall: reading(
    'pump',
    `pump.${name}PortWall`,
    `Wall left beside the ${name} port`,
    plain('length', 0.1 * MM, [0.5 * MM, 30 * MM], { view: 'ports' }),
  ),
})
const [SUCTION, OUTLET] = [port('suction', 'Suction'), port('outlet', 'Outlet')]

export const sizes = sized({
  displacement: { reading: DISPLACEMENT, held: pumpDisplacement },
  rotorDiameter: {
    reading: reading(
      'pump',
      'pump.rotorDiameter',
      (layout) => (gears(layout) ? 'Gear outside diameter' : 'Outer rotor diameter'),
      (layout) =>
        length(gears(layout) ? 38 * MM : 62 * MM, 0.1, [10 * MM, 150 * MM], { ...wanted, minutes: 2, ...ofKind }),
    ),
  },
  rotorLength: {
    reading: reading(
      'pump',
      'pump.rotorLength',
      (layout) => (gears(layout) ? 'Gear length' : 'Rotor length'),
      (layout) => length(usualLength(layout), 0.1, [4 * MM, 120 * MM], { ...wanted, minutes: 2, ...ofKind }),
    ),
  },
  endClearance: { reading: END, held: endClearance },
  tipClearance: { reading: TIP },
  sideClearance: {
    optional: true,
    reading: reading(
      'pump',
      'pump.sideClearance',
      'Outer rotor to body',
      gap(120 * MICRON, 0.3, [10 * MICRON, 800 * MICRON], { ...wanted, minutes: 5, ...ofKind }),
      gerotor,
    ),
  },
  suctionPort: { optional: true, recordedOnly: true, reading: SUCTION.now },
  outletPort: { optional: true, recordedOnly: true, reading: OUTLET.now },
  driveRatio: {
    fixed: true,
    reading: reading('pump', 'pump.driveRatio', 'Drive ratio, pump to crank', (layout) => ({
      dimension: 'ratio',
      fallback: typical(layout).driveRatio,
      fallbackSigma: 0,
      sigma: 0.001,
      plausible: [0.2, 3],
      wanted: true,
      minutes: 2,
    })),
  },
})

/** What makes a gerotor's profile, by which its displacement can be computed. */
const PROFILE = [
  reading('pump', 'pump.lobes', 'Lobes of the inner rotor', plain('count', 0.1, [3, 14], ofKind), gerotor),
  reading(
    'pump',
    'pump.eccentricity',
    'Between the rotors’ centres',
    plain('length', 0.02 * MM, [0.5 * MM, 15 * MM], ofKind),
    gerotor,
  ),
  reading(
    'pump',
    'pump.toothCentres',
    'Outer rotor, centre to its tooth arcs’ centres',
    plain('length', 0.05 * MM, [5 * MM, 100 * MM], ofKind),
    gerotor,
  ),
  reading(
    'pump',
    'pump.toothRadius',
    'Outer rotor, radius of its tooth arcs',
    plain('length', 0.05 * MM, [1 * MM, 80 * MM], ofKind),
    gerotor,
  ),
] as const

export const others = [
  ...PROFILE,
  reading(
    'pump',
    'pump.centres',
    'Shaft centre distance',
    length(undefined, 0, [8 * MM, 140 * MM], { minutes: 2, ...ofKind }),
    gears,
  ),
  GASKET,
  reading(
    'pump',
    'pump.driveLength',
    'Drive shaft, length',
    plain('length', 0.1 * MM, [10 * MM, 600 * MM], { view: 'close' }),
  ),
  ...WORK,
  SUCTION.before,
  SUCTION.wall,
  OUTLET.before,
  OUTLET.wall,
] as const

/** The pump's gaps as they run. */
export const pumpGaps = (sheet: Sheet): PumpGaps => sizes.values(sheet)

/** Share of a maker's most from which a gap is watched. */
const NEAR_MOST = 0.9

/** Marks of a pump gap, m, and whose they are: least, where it is watched, where it is worn out. */
export function gapMarks(sheet: Sheet, gap: 'end' | 'tip'): { least?: Limit; watch: Limit; stop: Limit } {
  const stop = limitOf(sheet, `pump.${gap}Stop`)
  return {
    ...(gap === 'end' ? { least: limitOf(sheet, 'pump.endLeast') } : {}),
    watch:
      stop.source === 'maker'
        ? { value: NEAR_MOST * stop.value, source: 'maker' }
        : { value: ruleOf(sheet, `pump.${gap}Watch`), source: 'house' },
    stop,
  }
}

/** Verdict of a pump gap against the maker's limit or the house's wear marks; undefined until it is measured. */
export function judgeGap(sheet: Sheet, gap: 'end' | 'tip'): Verdict | undefined {
  const held = gap === 'end' ? endClearance(sheet) : valueOf(sheet, TIP)
  if (held.source === 'layout') return undefined
  const { least, watch, stop } = gapMarks(sheet, gap)
  // Under a maker's least rotors may seize; the house's is only a warning.
  if (least && held.value < least.value) return least.source === 'maker' ? 'stop' : 'watch'
  return held.value > stop.value ? 'stop' : held.value > watch.value ? 'watch' : 'pass'
}
