import { check } from '../record/looked'
import { length, MM } from './drafts'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  hole: {
    reading: reading(
      'passages',
      'passage.tensioner',
      'Tensioner leak hole',
      length(0.8 * MM, 0.2, [0.2 * MM, 3 * MM], { minutes: 4 }),
    ),
  },
})

/** A chain tensioner fed from the front of the gallery. */
export const tensioner = part({
  ...sizes,
  name: 'tensioner',
  fitted: ({ tensioner: fitted }) => fitted,
  place: (circuit) => {
    const hole = circuit.orifice('tensioner', circuit.gallery(1), 'sump', {
      words: 'Chain tensioner',
      short: 'tensioner',
      station: 'passages',
      readings: ['passage.tensioner'],
      kind: 'jets',
    })
    return (values, { discharge }) => {
      hole.diameter = values.hole
      hole.dischargeCoefficient = discharge
    }
  },
  passages: () => [
    {
      key: 'passage.tensioner',
      label: 'Tensioner and its leak hole',
      kind: 'jet',
      place: 'gallery',
      at: 1,
      inside: true,
      sealed: false,
      readings: ['passage.tensioner'],
      absent: { kind: 'bore', bore: 5 * MM },
    },
  ],
  outlets: () => [{ node: 'gallery 1', label: 'Chain tensioner', check: 'prime.tensioner' }],
  checks: () => [
    check('prime', 'prime.tensioner', 'Chain tensioner', 'A tensioner without oil rattles and lets the chain jump.', {
      group: 'outlet',
    }),
  ],
})
