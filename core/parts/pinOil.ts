import { bore, gap, MICRON, MM } from './drafts'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  drilling: {
    reading: reading(
      'passages',
      'pin.drilling',
      'Drilling along the rod, to its pin',
      bore(3, 0.15, 'a usual drilled rod', [0.8 * MM, 10 * MM]),
    ),
  },
  clearance: {
    reading: reading(
      'passages',
      'pin.clearance',
      'Pin in its bush, diametral clearance',
      gap(20 * MICRON, 0.25, [4 * MICRON, 150 * MICRON], { sigma: 3 * MICRON, basis: 'a usual floating pin' }),
    ),
  },
  diameter: {
    reading: reading(
      'passages',
      'pin.diameter',
      'Pin diameter',
      bore(22, 0.08, 'a usual piston pin', [8 * MM, 80 * MM]),
    ),
  },
  length: {
    reading: reading('passages', 'pin.length', 'Bush length', bore(24, 0.1, 'a usual bush', [6 * MM, 100 * MM])),
  },
})

/** A pin pressed to one side of its bush leaks 1 + 1.5 ε² of a central one, ε = 1. */
const PRESSED_ASIDE = 2.5

/**
 * Rods drilled to the pin: oil goes from each big end along the rod and leaks out of both ends of the bush, half its length each way. The mean of the
 * rod's swinging on its oil column is left out.
 */
export const pinOil = part({
  ...sizes,
  name: 'pinOil',
  fitted: ({ drilledRods }) => drilledRods,
  place: (circuit, { feed }) => {
    const pins = feed.map((_, i) => {
      const node = circuit.junction(`pin ${i + 1}`, { height: 0.15 })
      return {
        drilling: circuit.pipe(
          `pin drilling ${i + 1}`,
          `rod ${i + 1}`,
          node,
          { length: 0.14, diameter: 3 * MM, k: 1.5 },
          { words: `Drilling along rod ${i + 1}`, station: 'passages', readings: ['pin.drilling'] },
        ),
        bush: circuit.linear(`pin ${i + 1} bush`, node, 'sump', {
          words: `Pin ${i + 1}`,
          station: 'passages',
          readings: ['pin.clearance'],
          kind: 'rods',
        }),
      }
    })
    return (values, { viscosity }) => {
      const gap = 0.5 * values.clearance
      for (const { drilling, bush } of pins) {
        drilling.diameter = values.drilling
        bush.conductance =
          (2 * PRESSED_ASIDE * Math.PI * values.diameter * gap ** 3) / (12 * viscosity * 0.5 * values.length)
      }
    }
  },
  passages: () => [
    {
      key: 'passage.pinDrillings',
      label: 'Rod drillings, clear to the pin',
      kind: 'line',
      place: 'rod',
      inside: true,
      sealed: false,
      readings: ['pin.drilling', 'pin.clearance', 'pin.diameter', 'pin.length'],
      absent: { kind: 'none', means: 'A pin without oil runs on splash; a blocked drilling shows at no gauge.' },
    },
  ],
})
