import { slipConductance } from '../pump/slip'
import { limitOf } from '../house/makerLimits'
import { MICRON } from './drafts'
import { between, contradicting, type Judged, part, voidOf } from './part'
import { SURFACES, TURNS, WASHED } from './pumpLooked'
import { judgeGap, meshes, others, pumpDisplacement, sizes, turns } from './pumpReadings'
import { type ReadingSpec, valueOf } from './reading'

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
      now.pumpFlow = own.displacement * own.speed
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
      if (wall !== undefined && wall < limitOf(sheet, 'pump.wallLeast').value)
        found.push({ station: 'pump', verdict: 'stop', about: `${name} port’s wall too thin` })
    }
    return found
  },
  contradictions: (sheet) => {
    const { problems, both } = contradicting(sheet)
    const outside = valueOf(sheet, sizes.sizes.rotorDiameter.reading).value
    const centres = sheet.readings['pump.centres']?.value
    if (centres !== undefined && !meshes(outside, centres))
      both(['pump.centres', 'pump.rotorDiameter'], 'gears of this diameter cannot mesh at this distance')
    const profile = (['lobes', 'eccentricity', 'toothCentres', 'toothRadius'] as const).map((field) => `pump.${field}`)
    const [lobes, eccentricity, toothCentres, toothRadius] = profile.map((key) => sheet.readings[key]?.value)
    if (
      lobes !== undefined &&
      eccentricity !== undefined &&
      toothCentres !== undefined &&
      toothRadius !== undefined &&
      !turns({ lobes, eccentricity, toothCentres, toothRadius, length: 1 })
    )
      both(profile, 'rotors of this profile do not turn in one another')
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
        change: (v) => widenGaps(v, between(severity, 1.3, 2)),
      }),
    },
    {
      key: 'undriven',
      words: 'nothing drives the pump',
      look: 'Look at the pump’s drive: engaged, key and coupling whole, turning the right way.',
      effect: () => ({ undriven: true }),
    },
    {
      key: 'wrong-way',
      words: 'the pump is turned the wrong way',
      look: 'Look which way the pump is meant to turn: the maker’s drawing, or the slant of its drive’s teeth.',
      effect: () => ({ undriven: true }),
    },
    {
      key: 'air-lock',
      words: 'air stands between the pump and a full filter',
      look: 'Crack the filter until oil runs, or take it off and prime until oil runs at the pad.',
      fits: ({ filter }) => filter,
      effect: () => ({ pump: { packing: 'dry', filter: 'filled' } }),
    },
    {
      key: 'pump-worn',
      words: 'the pump is worn',
      look: 'Measure the pump’s end, tip and side clearance.',
      effect: (severity) => ({ change: (v) => widenGaps(v, between(severity, 1.6, 3)) }),
    },
    {
      key: 'cover-leak',
      words: 'the pump’s cover leaks',
      look: 'Look at the pump’s cover: its gasket or sealer, its screws, its face.',
      effect: (severity) => ({
        airLeak: between(severity, 0.8e-3, 2e-3),
        change: (v) => void (v.endClearance *= between(severity, 2, 4)),
      }),
    },
  ],
})

function widenGaps(values: { endClearance: number; tipClearance: number }, factor: number): void {
  values.endClearance *= factor
  values.tipClearance *= factor
}
