import { gearDisplacement } from '../pump/displacement'
import { slipConductance, type PumpGaps } from '../pump/slip'
import { ruleOf } from '../house/limits'
import type { Verdict } from '../quantity/verdict'
import type { Sourced } from '../record/sourced'
import { check, type Finding, type InspectionItem } from '../record/looked'
import type { Layout, Sheet } from '../record/schema'
import { gap, length, MICRON, MM, plain, planned, typical } from './drafts'
import { between, contradicting, type Judged, part, voidOf } from './part'
import { reading, type ReadingSpec, sized, valueOf } from './reading'

const gears = ({ pumpKind }: Layout) => pumpKind === 'gear'
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
  ({ readings }) => 'pump.centres' in readings,
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
  gap(75 * MICRON, 0.3, [10 * MICRON, 600 * MICRON], { ...wanted, minutes: 5, ...ofKind }),
)
const GASKET = reading('pump', 'pump.gasket', 'Cover gasket, pressed, where the gap was taken without it', {
  ...gap(0, 0, [0, 500 * MICRON]),
  fallbackSigma: 0,
  view: 'close',
})

/** Displacement: typed, or from the gears' geometry when all of it is recorded, or the layout's. */
export function pumpDisplacement(sheet: Sheet): Sourced {
  const held = valueOf(sheet, DISPLACEMENT)
  if (held.source !== 'layout' || !gears(sheet.layout)) return held
  const [outside, centres, long] = ['pump.rotorDiameter', 'pump.centres', 'pump.rotorLength'].map(
    (key) => sheet.readings[key]?.value,
  )
  if (outside === undefined || centres === undefined || long === undefined || centres >= outside) return held
  const value = gearDisplacement(outside, centres, long)
  return { value, sigma: 0.02 * value, source: 'computed' }
}

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

const sizes = sized({
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
      (layout) =>
        length(gears(layout) ? 28 * MM : 16 * MM, 0.1, [4 * MM, 120 * MM], { ...wanted, minutes: 2, ...ofKind }),
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

const others = [
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
  reading(
    'pump',
    'pump.coverWear',
    'Track worn into the cover',
    plain('clearance', 5 * MICRON, [0, 1 * MM], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.coverThickness',
    'Cover, thickness',
    plain('length', 0.02 * MM, [1 * MM, 60 * MM], { view: 'salvage' }),
  ),
  reading(
    'pump',
    'pump.floorThickness',
    'Pocket floor, thickness',
    plain('length', 0.05 * MM, [1 * MM, 80 * MM], { view: 'salvage' }),
  ),
  reading('pump', 'pump.coverCut', 'Cut the cover by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
  reading('pump', 'pump.bodyCut', 'Cut the body face by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
  reading('pump', 'pump.pocketCut', 'Cut the pocket by', planned('clearance', [0, 3 * MM], { view: 'salvage' })),
  SUCTION.before,
  SUCTION.wall,
  OUTLET.before,
  OUTLET.wall,
] as const

/** Oil in the passage behind the pump, m³. */
const OUTLET_ROOM = 15e-6

/** The oil pump: gears or a gerotor, between its inlet and its outlet. */
export const pump = part({
  name: 'pump',
  fitted: () => true,
  first: true,
  readings: [...sizes.readings, ...others] as ReadingSpec<
    (typeof sizes.readings)[number]['key'] | (typeof others)[number]['key']
  >[],
  values: (sheet) => sizes.values(sheet),
  inputs: (sheet) => sizes.inputs(sheet),
  place: (circuit) => {
    const own = circuit.pump('pump', 'pump inlet', 'pump outlet', {
      words: 'Pump',
      station: 'pump',
      readings: ['pump.displacement'],
    })
    const room = (fixed: number) => (values: { displacement: number }) => fixed + values.displacement
    circuit.junction('pump inlet', { room: room(0) })
    circuit.junction('pump outlet', { room: room(OUTLET_ROOM) })
    return (values, now) => {
      now.suctionPort = values.suctionPort
      now.outletPort = values.outletPort
      own.displacement = values.displacement
      own.speed = now.pumpSpeed ?? now.speed * values.driveRatio
      own.slipConductance = slipConductance(values, now.viscosity)
    }
  },
  steps: () => [
    {
      key: 'pump.endClearance',
      label: 'Pump end clearance 0.025 mm less',
      change: (v) => (v.endClearance = Math.max(10 * MICRON, v.endClearance - 25 * MICRON)),
    },
    {
      key: 'pump.rotorLength',
      label: 'Next pump, a tenth longer',
      change: (v) => {
        v.rotorLength *= 1.1
        v.displacement *= 1.1
      },
    },
  ],
  checks: () => [TURNS, WASHED],
  inspections: () => SURFACES,
  choices: () => ['pump.fitted', 'pump.packing', 'pump.coverSeal', 'pump.year', 'pump.drive'],
  grounds: () => [
    {
      about: 'displacement',
      states: 'all',
      stands: (sheet) => pumpDisplacement(sheet).source !== 'layout',
      key: () => 'pump.displacement',
    },
    {
      about: 'pump clearances',
      states: 'all',
      stands: ({ readings }) => 'pump.endClearance' in readings || 'pump.tipClearance' in readings,
      key: () => 'pump.endClearance',
    },
  ],
  judged: (sheet) => {
    const found: Judged[] = []
    for (const gap of ['end', 'tip'] as const) {
      const verdict = judgeGap(sheet, gap)
      if (verdict) found.push({ station: 'pump', verdict, about: `${gap} clearance worn` })
    }
    for (const name of ['suction', 'outlet'] as const) {
      const wall = sheet.readings[`pump.${name}PortWall`]?.value
      if (wall !== undefined && wall < ruleOf(sheet, 'pump.wallLeast'))
        found.push({ station: 'pump', verdict: 'stop', about: `${name} port’s wall too thin` })
    }
    return found
  },
  contradictions: (sheet) => {
    const { problems, both } = contradicting(sheet)
    const outside = valueOf(sheet, sizes.sizes.rotorDiameter.reading).value
    const centres = sheet.readings['pump.centres']?.value
    if (centres !== undefined && (centres >= outside || centres <= 0.5 * outside))
      both(['pump.centres', 'pump.rotorDiameter'], 'gears of this diameter cannot mesh at this distance')
    return problems
  },
  voids: (sheet) => (sheet.checks[TURNS.key]?.state === 'fault' ? [voidOf(TURNS)] : []),
  faults: [
    {
      key: 'dry-pump',
      words: 'the pump is dry and cannot draw against a filled filter',
      look: 'Stop. Take the filter off, pack the pump, and prime until oil runs at the pad.',
      effect: (severity) => ({
        pump: { packing: 'dry', filter: 'filled' },
        change: (v) => {
          v.endClearance *= between(severity, 1.3, 2)
          v.tipClearance *= between(severity, 1.3, 2)
        },
      }),
    },
    {
      key: 'undriven',
      words: 'nothing drives the pump',
      look: 'Look at the pump’s drive: engaged, key and coupling whole, turning the right way.',
      effect: () => ({ undriven: true }),
    },
  ],
})

/** The pump's gaps as they run. */
export const pumpGaps = (sheet: Sheet): PumpGaps => sizes.values(sheet)

/** Verdict of a pump gap against the house's wear marks; undefined until it is measured. */
export function judgeGap(sheet: Sheet, gap: 'end' | 'tip'): Verdict | undefined {
  const held = gap === 'end' ? endClearance(sheet) : valueOf(sheet, TIP)
  if (held.source === 'layout') return undefined
  if (gap === 'end' && held.value < ruleOf(sheet, 'pump.endLeast')) return 'watch'
  return held.value > ruleOf(sheet, `pump.${gap}Stop`)
    ? 'stop'
    : held.value > ruleOf(sheet, `pump.${gap}Watch`)
      ? 'watch'
      : 'pass'
}

const TURNS = check(
  'pump',
  'pump.turns',
  'Turns by hand with the cover on',
  'Rotors that bind score their pocket at once. Look for too little end clearance, sealer inside, a burr.',
)
const WASHED = check(
  'pump',
  'pump.washed',
  'Washed out, every chip gone',
  'Chips end in the bearings. Wash it again, brushes through every passage.',
)

const CLEAN: Finding = { value: 'clean', words: 'clean', verdict: 'pass', action: 'Fit as it is.' }
const NOT_FELT: Finding = {
  value: 'seen',
  words: 'not felt',
  verdict: 'pass',
  action: 'Marks that a fingernail does not catch are cosmetic.',
}

/** Surfaces of a pump by the fingernail rule, and what a catching one leads to. */
const surface = (key: string, label: string, verdict: Verdict, action: string): InspectionItem => ({
  key: `pump.${key}`,
  station: 'pump',
  label,
  findings: [CLEAN, NOT_FELT, { value: 'catches', words: 'catches', verdict, action }],
  wanted: true,
})
const SURFACES = [
  surface(
    'cover',
    'Cover',
    'watch',
    'Resurface it flat across its whole face, never the track alone; then measure end clearance again.',
  ),
  surface(
    'bodyFace',
    'Body face',
    'watch',
    'Cut the face and the pocket together by the same amount; then measure end clearance again.',
  ),
  surface('pocket', 'Pocket bore', 'stop', 'The pocket cannot be mended: replace the body.'),
  surface('rotors', 'Rotors', 'stop', 'Rotors are never dressed: replace them as a set.'),
  surface(
    'shaft',
    'Shaft and bush',
    'stop',
    'A scored shaft lets the rotors lean on the pocket: replace it with its bush.',
  ),
]
