import type { Input } from './input'
import { entryLoss, stepLoss } from '../pickup/suction'
import type { Layout, Sheet } from '../record/schema'
import { length, MM, plain } from './drafts'
import { between, contradicting, type Judged, part, type Void, voidOf } from './part'
import { airTestVerdict, floorClearance, floorVerdict, scavengeVerdict, sump } from './pickupRecord'
import { AIR_TEST, CHECKS } from './pickupLooked'
import { workingSpeedOf } from './duty'
import { reading, type ReadingSpec, sized, valueOf } from './reading'

const wet = ({ drySump }: Layout) => !drySump
const dry = ({ drySump }: Layout) => drySump
const wanted = { wanted: true, minutes: 2 }

const LIFT = reading(
  'pickup',
  'pickup.lift',
  'Pump above the oil level',
  length(60 * MM, 0.2, [-500 * MM, 800 * MM], { sigma: 3 * MM, minutes: 2 }),
  wet,
)
const HEAD = reading(
  'pickup',
  'pickup.tankHead',
  'Oil in the tank above the pump',
  length(200 * MM, 0.3, [0, 2000 * MM], { ...wanted, sigma: 5 * MM }),
  dry,
)

const sizes = sized({
  tubeDiameter: {
    reading: reading(
      'pickup',
      'pickup.tubeDiameter',
      (layout) => (wet(layout) ? 'Tube inside diameter' : 'Line inside diameter'),
      length(14 * MM, 0.06, [4 * MM, 50 * MM], wanted),
    ),
  },
  tubeLength: {
    reading: reading(
      'pickup',
      'pickup.tubeLength',
      (layout) => (wet(layout) ? 'Tube length' : 'Line length'),
      (layout) => length(220 * MM, 0.1, [20 * MM, wet(layout) ? 1500 * MM : 5000 * MM], { ...wanted, sigma: 2 * MM }),
    ),
  },
  mouthDiameter: {
    reading: reading(
      'pickup',
      'pickup.mouthDiameter',
      (layout) => (wet(layout) ? 'Pickup mouth diameter' : 'Tank outlet diameter'),
      length(50 * MM, 0.1, [10 * MM, 200 * MM], { minutes: 2 }),
    ),
  },
  screenOpen: {
    most: 1,
    reading: reading('pickup', 'pickup.screenOpen', 'Screen, open share', {
      dimension: 'ratio',
      fallback: 0.45,
      fallbackSigma: 0.1,
      sigma: 0.03,
      plausible: [0.05, 1],
      wanted: false,
      minutes: 2,
    }),
  },
})

const oil = { view: 'oil' }
const others = [
  sump.depth,
  sump.gasket,
  sump.protrusion,
  LIFT,
  HEAD,
  reading(
    'pickup',
    'pickup.scavenge',
    'Scavenge stage, displacement',
    plain('displacement', 0.3e-6, [0.5e-6, 400e-6], { wanted: true }),
    dry,
  ),
  reading(
    'pickup',
    'pickup.tankVolume',
    'Tank, to the mark',
    plain('volume', 0.1e-3, [0.5e-3, 100e-3], { wanted: true }),
    dry,
  ),
  reading(
    'pickup',
    'pickup.oilDepth',
    'Oil over the floor, low mark',
    plain('length', 1 * MM, [5 * MM, 450 * MM], oil),
  ),
  reading('pickup', 'pickup.offset', 'Pickup from the sump’s middle', plain('length', 2 * MM, [0, 600 * MM], oil)),
  reading('pickup', 'pickup.sumpLength', 'Sump floor, length', plain('length', 2 * MM, [40 * MM, 2000 * MM], oil)),
  reading('pickup', 'pickup.sumpWidth', 'Sump floor, width', plain('length', 2 * MM, [40 * MM, 1000 * MM], oil)),
  reading('pickup', 'pickup.capacity', 'Oil to the full mark', plain('volume', 0.1e-3, [0.3e-3, 200e-3], oil)),
  reading(
    'pickup',
    'pickup.filterVolume',
    'Of it in the filter',
    plain('volume', 0.05e-3, [0.05e-3, 10e-3], oil),
    ({ filter }) => filter,
  ),
  reading('pickup', 'pickup.crankcase', 'Crankcase vacuum, at working speed', {
    ...plain('pressure', 2e3, [0, 70e3]),
    fallback: 0,
    fallbackSigma: 0,
    basis: 'a crankcase open to the air',
  }),
  reading('pickup', 'pickup.vacuum', 'Vacuum drawn on the tube', plain('pressure', 1e3, [1e3, 95e3], { view: 'air' })),
  reading('pickup', 'pickup.vacuumAfter', 'Vacuum a minute later', plain('pressure', 1e3, [0, 95e3], { view: 'air' })),
] as const

const GRAVITY = 9.80665

type PickupValues = ReturnType<typeof valuesOf>
function valuesOf(sheet: Sheet) {
  return {
    ...sizes.values(sheet),
    floorClearance: floorClearance(sheet).value,
    /** Pump above the oil's surface, m; negative where it stands under it, as with a tank. */
    /** Vacuum in the crankcase, Pa, and the speed at which it stands, rev/s. */
    crankcase: sheet.readings['pickup.crankcase']?.value ?? 0,
    workingSpeed: workingSpeedOf(sheet),
    lift: dry(sheet.layout) ? -valueOf(sheet, HEAD).value : valueOf(sheet, LIFT).value,
  }
}

/** The pickup and its tube, from the sump's oil, or the line from a dry sump's tank, to the pump. */
export const pickup = part({
  name: 'pickup',
  fitted: () => true,
  readings: [...sizes.readings, ...others] as ReadingSpec<
    (typeof sizes.readings)[number]['key'] | (typeof others)[number]['key']
  >[],
  values: valuesOf,
  inputs: (sheet): Input<PickupValues>[] => {
    const [spec, put]: [ReadingSpec, Input<PickupValues>['put']] = dry(sheet.layout)
      ? [HEAD, (v, x) => void (v.lift = -x)]
      : [LIFT, (v, x) => void (v.lift = x)]
    return [
      ...sizes.inputs(sheet),
      { key: spec.key, label: spec.label as string, station: 'pickup', ...valueOf(sheet, spec), put },
      ...(wet(sheet.layout)
        ? [
            {
              key: 'pickup.protrusion',
              label: 'Floor clearance of the pickup',
              station: 'pickup' as const,
              ...floorClearance(sheet),
              put: (v: PickupValues, x: number) => void (v.floorClearance = x),
            },
          ]
        : []),
    ]
  },
  place: (circuit, layout) => {
    const suction = circuit.pipe(
      'pickup',
      dry(layout) ? circuit.open('tank') : 'sump',
      'pump inlet',
      { length: 0.2, diameter: 14 * MM, k: 1 },
      { words: 'Pickup and tube', station: 'pickup', readings: ['pickup.tubeDiameter'] },
    )
    circuit.junction('pump inlet', {
      room: ({ tubeDiameter, tubeLength }: PickupValues) => 0.25 * Math.PI * tubeDiameter ** 2 * tubeLength,
    })
    return (values, now) => {
      const entry = entryLoss({
        tube: values.tubeDiameter,
        mouth: values.mouthDiameter,
        floor: values.floorClearance,
        open: values.screenOpen,
      })
      const step = now.suctionPort === undefined ? 0 : stepLoss(values.tubeDiameter, now.suctionPort)
      // Its pump is driven by the crank: a crank that stands draws none.
      circuit.crankcase.pressure = -values.crankcase * Math.min(1, now.speed / values.workingSpeed)
      suction.length = values.tubeLength
      suction.diameter = values.tubeDiameter
      suction.k = 1 + entry + step
      suction.k1 = 300 * (1 + entry + step)
      suction.head = -now.oil.density * GRAVITY * values.lift
    }
  },
  steps: () => [
    {
      key: 'pickup.tubeDiameter',
      label: 'Pickup tube 1 mm wider',
      change: (v) => (v.tubeDiameter += 1 * MM),
    },
  ],
  checks: () => CHECKS,
  inspections: () => [AIR_TEST],
  judged: (sheet) => {
    const found = (verdict: Judged['verdict'] | undefined, about: string): Judged[] =>
      verdict ? [{ station: 'pickup', verdict, about }] : []
    return [
      ...found(floorVerdict(sheet), 'floor clearance out of range'),
      ...found(airTestVerdict(sheet), 'vacuum does not hold'),
      ...found(scavengeVerdict(sheet), 'scavenge stage too small'),
    ]
  },
  contradictions: (sheet) => {
    const { problems, both } = contradicting(sheet)
    if (wet(sheet.layout) && 'pickup.sumpDepth' in sheet.readings && 'pickup.protrusion' in sheet.readings) {
      const [depth, gasket, down] = [sump.depth, sump.gasket, sump.protrusion].map((spec) => valueOf(sheet, spec).value)
      if (depth + gasket - down <= 0)
        both(['pickup.sumpDepth', 'pickup.protrusion'], 'the pickup goes through the floor of the sump')
    }
    return problems
  },
  voids: (sheet) => {
    const voids: Void[] = CHECKS.filter(({ key }) => sheet.checks[key]?.state === 'fault').map(voidOf)
    const found = AIR_TEST.findings.find(({ value }) => value === sheet.inspections[AIR_TEST.key]?.finding)
    if (found?.verdict === 'stop')
      voids.push({
        path: `inspections/${AIR_TEST.key}`,
        message: found.action,
        about: `air test of the pickup ${found.words}`,
        station: 'pickup',
      })
    if (airTestVerdict(sheet) === 'stop')
      voids.push({
        path: 'readings/pickup.vacuumAfter',
        message: 'vacuum on the pickup does not hold: the pump draws air',
        about: 'vacuum on the pickup does not hold',
        station: 'pickup',
      })
    return voids
  },
  faults: [
    {
      key: 'no-oil',
      words: 'there is no oil in it, or too little',
      look: 'Look at the dipstick, and at the tank of a dry sump.',
      effect: () => ({ airLeak: 20e-3, uncoversAfter: 0 }),
    },
    {
      key: 'screen-blocked',
      words: 'the pickup’s screen is blocked, or it stands on the floor of the sump',
      look: 'Take the sump off: sealer or rag in the screen, its height over the floor.',
      effect: (severity) => ({ change: (v) => void (v.screenOpen *= between(severity, 0.05, 0.01)) }),
    },
    {
      key: 'pickup-air',
      words: 'air comes in at the pickup',
      look: 'Look at the pickup: seal, tube tight in the pump, cracks.',
      effect: (severity) => ({ airLeak: between(severity, 2e-3, 4e-3) }),
    },
    {
      key: 'uncovered',
      words: 'the pickup draws air: oil low or thrown away from it',
      look: 'Stop. Look at the oil level, then at the pickup’s height.',
      effect: (severity) => ({ uncoversAfter: between(severity, 30, 12) }),
    },
  ],
})
