import { check } from '../record/looked'
import { bore, length, MICRON, MM } from './drafts'
import { judgedRow, lifterWords } from './lifterLook'
import { part } from './part'
import { reading, sized } from './reading'

const sizes = sized({
  gap: {
    reading: reading('passages', 'lifters.gap', 'Lifter in its bore, radial gap', {
      dimension: 'clearance',
      fallback: 22 * MICRON,
      fallbackSigma: 2.5 * MICRON,
      sigma: 3 * MICRON,
      plausible: [5 * MICRON, 150 * MICRON],
      wanted: false,
      basis: 'a usual hydraulic lifter',
    }),
  },
  diameter: {
    reading: reading(
      'passages',
      'lifters.diameter',
      'Lifter diameter',
      bore(21.4, 0.05, 'a usual hydraulic lifter', [8 * MM, 40 * MM]),
    ),
  },
  land: {
    reading: reading(
      'passages',
      'lifters.land',
      'Lifter, from its oil groove to its end',
      length(20 * MM, 0.15, [3 * MM, 60 * MM], { sigma: 0.5 * MM, basis: 'a usual hydraulic lifter' }),
    ),
  },
})

/** Body and plunger leak to both ends each; a lifter pressed to one side of its bore leaks 1 + 1.5 ε² of a central one, ε = 1. */
const LEAKS = 4
const PRESSED_ASIDE = 2.5
/** Oil in one lifter, and in its share of the row's gallery (13 mm by 30 mm), m³. */
const ROOM = 3e-6 + 4e-6

/** Hydraulic lifters, fed from the gallery's end. */
export const lifters = part({
  ...sizes,
  name: 'lifters',
  fitted: ({ lifterCount, lifters: kind }) => lifterCount > 0 && kind === 'hydraulic',
  place: (circuit, { lifterCount }) => {
    const row = circuit.linear('lifters', circuit.galleryEnd, 'sump', {
      words: 'Lifters',
      short: 'lifters',
      station: 'passages',
      readings: ['lifters.gap'],
      kind: 'lifters',
    })
    circuit.junction(circuit.galleryEnd, { room: lifterCount * ROOM })
    return ({ gap, diameter, land }, { viscosity }) => {
      row.conductance =
        ((lifterCount * Math.PI * diameter * gap ** 3 * PRESSED_ASIDE) / (12 * viscosity * land)) * LEAKS
    }
  },
  passages: ({ kind, mains }) =>
    (kind === 'v' || kind === 'flat' || kind === 'opposed' ? ['left', 'right'] : ['']).flatMap((row) => {
      const tail = row ? `, ${row}` : ''
      const name = row.charAt(0).toUpperCase() + row.slice(1)
      const place = { place: 'rockers', at: mains, inside: true } as const
      const leak = (mm: number) => ({ kind: 'leak', node: `gallery ${mains}`, bore: mm * MM }) as const
      return [
        {
          ...place,
          key: `passage.lifterRow${name}`,
          label: `Lifters, all in and metering${tail}`,
          kind: 'lifters' as const,
          sealed: false,
          readings: ['lifters.gap', 'lifters.diameter', 'lifters.land'],
          absent: leak(6),
        },
        {
          ...place,
          key: `passage.lifterPlug${name}`,
          label: `Lifter gallery plug${tail}`,
          kind: 'plug' as const,
          sealed: true,
          absent: leak(8),
        },
      ]
    }),
  faults: [
    {
      key: 'lifter-open',
      words: 'a lifter has no metering, or is out of its bore',
      look: 'Look at the lifters for a fountain while it is primed.',
      effect: (_, { kind }) => ({
        leftOut: [
          kind === 'v' || kind === 'flat' || kind === 'opposed' ? 'passage.lifterRowLeft' : 'passage.lifterRow',
        ],
      }),
    },
  ],
  looked: (layout) => lifterWords(layout, 'prime.lifters'),
  judged: (sheet) => judgedRow(sheet, 'prime.lifters'),
  outlets: ({ mains }) => [{ node: `gallery ${mains}`, label: 'Lifter plungers up', check: 'prime.lifters' }],
  checks: () => [
    check('prime', 'prime.lifters', 'Lifter plungers up', 'Plungers that stay down get no oil, or bleed down.', {
      group: 'outlet',
    }),
  ],
})
