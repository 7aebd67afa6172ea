import type { Layout } from '../record/schema'
import { length, MM, opening } from './drafts'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  jet: {
    reading: reading(
      'passages',
      'passage.pistonJet',
      ({ kind }) => (kind === 'rotary' ? 'Rotor jet' : 'Piston jet'),
      length(1.5 * MM, 0.12, [0.4 * MM, 4 * MM], { minutes: 4 }),
    ),
  },
  opening: {
    reading: reading(
      'passages',
      'passage.pistonJetOpening',
      ({ kind }) => (kind === 'rotary' ? 'Rotor jets open at' : 'Piston jets open at'),
      opening(1.8),
    ),
  },
})

/** Jets that cool the pistons, each with a valve, at the main that feeds its cylinder's rod. */
export const pistonJets = part({
  ...sizes,
  name: 'pistonJets',
  fitted: ({ pistonJets: count }) => count > 0,
  place: (circuit, layout) => {
    const jets = byMain(layout).map(({ main, count }) => {
      const valve = circuit.valve(`piston jets ${main}`, circuit.gallery(main), 'sump', {
        words: layout.kind === 'rotary' ? 'Rotor jets' : 'Piston jets',
        station: 'passages',
        readings: ['passage.pistonJet'],
        kind: 'jets',
      })
      valve.count = count
      return valve
    })
    return (values, { discharge }) => {
      for (const valve of jets) {
        valve.diameter = values.jet
        valve.dischargeCoefficient = discharge
        valve.openingPressure = values.opening
      }
    }
  },
  passages: ({ pistonJets: count, feed, kind }) => [
    {
      key: 'passage.pistonJet',
      label: `${kind === 'rotary' ? 'Rotor' : 'Piston'} jets, ${count}`,
      kind: 'jet',
      place: 'main',
      at: feed[0],
      inside: true,
      sealed: false,
      readings: ['passage.pistonJet', 'passage.pistonJetOpening'],
      absent: { kind: 'leak', node: `gallery ${feed[0]}`, bore: 6.8 * MM },
    },
  ],
})

function byMain({ pistonJets: all, feed }: Layout): { main: number; count: number }[] {
  const counts = new Map<number, number>()
  for (let i = 0; i < all; i++) {
    const main = feed[i % feed.length]
    counts.set(main, (counts.get(main) ?? 0) + 1)
  }
  return [...counts].map(([main, count]) => ({ main, count }))
}
