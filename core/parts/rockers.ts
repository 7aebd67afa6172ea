import { check } from '../record/looked'
import { flow, length, MM } from './drafts'
import { laminar } from './laminar'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  restrictor: {
    reading: reading(
      'passages',
      'passage.rockerRestrictor',
      'Rocker feed restrictor',
      length(1.4 * MM, 0.12, [0.3 * MM, 8 * MM], { minutes: 4 }),
    ),
  },
  flow: {
    reading: reading(
      'passages',
      'rockers.flow',
      'A rocker’s oil, at 2 bar of 10 mPa·s',
      flow(8e-6, 0.3, 0.8e-6, [0.2e-6, 200e-6], 'estimate: half a litre a minute'),
    ),
  },
})

/** Pressure at which a rocker's flow is given, Pa. */
const GIVEN = 2e5
/** What a valve's share of its rocker shaft (14 mm by 45 mm) holds, and its riser or pushrod, m³. */
const SHAFT = 7e-6
const RISER = 3e-6

/** Rockers, or a cam over them, fed from the gallery's end through a restrictor. */
export const rockers = part({
  ...sizes,
  name: 'rockers',
  fitted: ({ rockerFeed }) => rockerFeed,
  place: (circuit, { lifterCount }) => {
    const node = circuit.junction('rockers', { room: lifterCount * (SHAFT + RISER), height: 0.28 })
    const restrictor = circuit.orifice('rocker restrictor', circuit.galleryEnd, node, {
      words: 'Rocker feed restrictor',
      station: 'passages',
      readings: ['passage.rockerRestrictor'],
      kind: 'rockers',
    })
    const bushes = circuit.linear('rocker bushes', node, 'sump', {
      words: 'Rockers',
      short: 'rockers',
      station: 'passages',
      readings: ['rockers.flow'],
    })
    return (values, { discharge, viscosity }) => {
      restrictor.diameter = values.restrictor
      restrictor.dischargeCoefficient = discharge
      bushes.conductance = laminar(lifterCount * values.flow, GIVEN, viscosity)
    }
  },
  faults: [
    {
      key: 'restrictor-out',
      words: 'a restrictor is left out, or is too wide',
      look: 'Look at the restrictor of the rockers’ or the head’s feed, and at the jets.',
      effect: () => ({ change: (v) => void (v.restrictor = 5 * MM) }),
    },
  ],
  passages: ({ mains }) => [
    {
      key: 'passage.rockerRestrictor',
      label: 'Rocker feed restrictor',
      kind: 'restrictor',
      place: 'rockers',
      at: mains,
      inside: true,
      sealed: false,
      readings: ['passage.rockerRestrictor', 'rockers.flow'],
      absent: { kind: 'bore', bore: 5 * MM },
    },
  ],
  outlets: ({ cylinders }) =>
    Array.from({ length: cylinders }, (_, i) => ({
      node: 'rockers',
      label: `Rockers ${i + 1}`,
      check: `prime.rocker${i + 1}`,
    })),
  checks: ({ cylinders }) =>
    Array.from({ length: cylinders }, (_, i) =>
      check(
        'prime',
        `prime.rocker${i + 1}`,
        `Rockers ${i + 1}`,
        'No oil there: turn the crank on, then look for a blocked restrictor or a left-out plug.',
        { group: 'outlet' },
      ),
    ),
  steps: () => [
    {
      key: 'passage.rockerRestrictor',
      label: 'Rocker restrictor 0.2 mm smaller',
      change: (v) => (v.restrictor = Math.max(0.3 * MM, v.restrictor - 0.2 * MM)),
    },
  ],
})
