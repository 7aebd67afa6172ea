import { check } from '../record/looked'
import { flow, length, MM } from './drafts'
import { recheck } from './firstStart'
import { laminar } from './laminar'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  feed: {
    reading: reading(
      'passages',
      'passage.turboFeed',
      'Turbo feed restrictor',
      length(1.2 * MM, 0.15, [0.4 * MM, 6 * MM], { minutes: 4 }),
    ),
  },
  flow: {
    reading: reading(
      'passages',
      'turbo.flow',
      'Turbo bearings’ oil, at 2 bar of 10 mPa·s',
      flow(1.34e-5, 0.3, 1e-6, [1e-6, 200e-6], 'estimate: 0.8 L/min of 10 mPa·s at 2 bar'),
    ),
  },
})

/** Pressure at which its flow is given, Pa. */
const GIVEN = 2e5

/** A turbo, fed from the gauge's place in the gallery through a restrictor. */
export const turbo = part({
  ...sizes,
  name: 'turbo',
  fitted: ({ turbo: fitted }) => fitted,
  place: (circuit) => {
    const node = circuit.junction('turbo', { room: 10e-6, height: 0.16 })
    const feed = circuit.orifice('turbo restrictor', circuit.gauge, node, {
      words: 'Turbo feed restrictor',
      station: 'passages',
      readings: ['passage.turboFeed'],
      kind: 'turbo',
    })
    const bearings = circuit.linear('turbo bearings', node, 'sump', {
      words: 'Turbo',
      station: 'passages',
      readings: ['turbo.flow'],
    })
    return (values, { discharge, viscosity }) => {
      feed.diameter = values.feed
      feed.dischargeCoefficient = discharge
      bearings.conductance = laminar(values.flow, GIVEN, viscosity)
    }
  },
  passages: ({ mains }) => [
    {
      key: 'passage.turboFeed',
      label: 'Turbo feed restrictor',
      kind: 'restrictor',
      place: 'turbo',
      at: Math.ceil(mains / 2),
      inside: true,
      sealed: false,
      readings: ['passage.turboFeed', 'turbo.flow'],
      absent: { kind: 'bore', bore: 6 * MM },
    },
    {
      key: 'passage.turboLines',
      label: 'Turbo lines, drain running down',
      kind: 'line',
      place: 'turbo',
      inside: false,
      sealed: true,
      absent: { kind: 'none', means: 'A drain that rises floods the seals; the gauge says nothing.' },
    },
  ],
  outlets: () => [{ node: 'turbo', label: 'Turbo', check: 'prime.turbo' }],
  checks: () => [
    check('prime', 'prime.turbo', 'Turbo', 'A dry turbo is gone in seconds. Look at its restrictor and line.', {
      group: 'outlet',
    }),
    recheck('recheckTurbo', 'Turbo feed and drain'),
  ],
})
