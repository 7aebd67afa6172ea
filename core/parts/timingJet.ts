import { check } from '../record/looked'
import { length, MM } from './drafts'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  jet: {
    reading: reading(
      'passages',
      'passage.timingJet',
      'Timing jet',
      length(0.9 * MM, 0.15, [0.3 * MM, 5 * MM], { minutes: 4 }),
    ),
  },
})

/** The jet that oils the timing drive, at the front of the gallery. */
export const timingJet = part({
  ...sizes,
  name: 'timingJet',
  fitted: ({ timingJet: fitted }) => fitted,
  place: (circuit) => {
    const jet = circuit.orifice('timing jet', circuit.gallery(1), 'sump', {
      words: 'Timing jet',
      short: 'timing jet',
      station: 'passages',
      readings: ['passage.timingJet'],
      kind: 'jets',
    })
    return (values, { discharge }) => {
      jet.diameter = values.jet
      jet.dischargeCoefficient = discharge
    }
  },
  faults: [
    {
      key: 'restrictor-out',
      words: 'a restrictor is left out, or is too wide',
      look: 'Look at the restrictor of the rockers’ or the head’s feed, and at the jets.',
      fits: ({ rockerFeed, headCams }) => !rockerFeed && headCams === 0,
      effect: () => ({ change: (v) => void (v.jet = 5 * MM) }),
    },
  ],
  passages: () => [
    {
      key: 'passage.timingJet',
      label: 'Timing jet',
      kind: 'jet',
      place: 'gallery',
      at: 1,
      inside: true,
      sealed: false,
      readings: ['passage.timingJet'],
      absent: { kind: 'bore', bore: 5 * MM },
    },
  ],
  outlets: () => [{ node: 'gallery 1', label: 'Timing jet', check: 'prime.jet' }],
  checks: () => [
    check('prime', 'prime.jet', 'Timing jet', 'A dry jet is blocked or its gallery is.', { group: 'outlet' }),
  ],
  steps: () => [
    {
      key: 'passage.timingJet',
      label: 'Timing jet 0.1 mm smaller',
      change: (v) => (v.jet = Math.max(0.2 * MM, v.jet - 0.1 * MM)),
    },
  ],
})
