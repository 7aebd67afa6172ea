import { check } from '../record/looked'
import type { Layout } from '../record/schema'
import { setHoleFed } from './bearingInputs'
import { bore, gap, length, MICRON, MM } from './drafts'
import { judgedRow, lifterWords } from './lifterLook'
import { part } from './part'
import { reading, sized } from './reading'

const adjusted = ({ lashAdjusters }: Layout) => lashAdjusters > 0

const sizes = sized({
  restrictor: {
    reading: reading(
      'passages',
      'head.restrictor',
      'Head feed restrictor',
      length(3 * MM, 0.15, [0.5 * MM, 12 * MM], { minutes: 4 }),
    ),
  },
  camClearance: {
    reading: reading(
      'passages',
      'head.camClearance',
      'Cam bearing clearance, head',
      gap(60 * MICRON, 0.25, [10 * MICRON, 300 * MICRON], { minutes: 20 }),
    ),
  },
  camJournal: {
    reading: reading(
      'passages',
      'head.camJournal',
      'Cam journal diameter, head',
      bore(26, 0.1, 'a usual overhead cam', [10 * MM, 70 * MM]),
    ),
  },
  camLength: {
    reading: reading(
      'passages',
      'head.camLength',
      'Cam bearing length, head',
      bore(20, 0.15, 'a usual overhead cam', [5 * MM, 60 * MM]),
    ),
  },
  adjusterGap: {
    reading: reading(
      'passages',
      'head.adjusterGap',
      'Lash adjuster in its bore, radial gap',
      gap(15 * MICRON, 0.12, [3 * MICRON, 100 * MICRON], { sigma: 3 * MICRON, basis: 'a usual lash adjuster' }),
      adjusted,
    ),
  },
  adjusterDiameter: {
    reading: reading(
      'passages',
      'head.adjusterDiameter',
      'Lash adjuster diameter',
      bore(12, 0.05, 'a usual lash adjuster', [5 * MM, 40 * MM]),
      adjusted,
    ),
  },
  adjusterLand: {
    reading: reading(
      'passages',
      'head.adjusterLand',
      'Lash adjuster, from its groove to its end',
      bore(8, 0.15, 'a usual lash adjuster', [2 * MM, 40 * MM]),
      adjusted,
    ),
  },
})

/** Eccentricity of a cam's journal under its springs. */
const ECCENTRICITY = 0.6
/** Body and plunger of an adjuster leak to both ends; pressed to one side it leaks 1 + 1.5 ε² of a central one, ε = 1. */
const LEAKS = 4
const PRESSED_ASIDE = 2.5
/** Room of one cam's passage with its riser, and of one adjuster with its share of their gallery, m³. */
const ROOM = { cam: 45e-6, adjuster: 4e-6 }

/**
 * Cams over the valves: journals in the head, lash adjusters where there are any, no rockers' shaft; fed from the gallery's end through a
 * restrictor. All journals of a cam stand in one element: they hang on the same passage.
 */
export const head = part({
  ...sizes,
  name: 'head',
  fitted: ({ headCams }) => headCams > 0,
  place: (circuit, { headCams, headCamJournals, lashAdjusters }) => {
    const node = circuit.junction('head', {
      room: headCams * ROOM.cam + lashAdjusters * ROOM.adjuster,
      height: 0.3,
    })
    const restrictor = circuit.orifice('head restrictor', circuit.galleryEnd, node, {
      words: 'Head feed restrictor',
      station: 'passages',
      readings: ['head.restrictor'],
    })
    const cams = Array.from({ length: headCams }, (_, i) =>
      circuit.film(`head cam ${i + 1} film`, node, {
        words: `Overhead cam ${i + 1}, its ${headCamJournals} bearings`,
        short: `cam ${i + 1}`,
        station: 'passages',
        readings: ['head.camClearance'],
        kind: 'cam',
      }),
    )
    const adjusters =
      lashAdjusters > 0
        ? circuit.linear('lash adjusters', node, 'sump', {
            words: 'Lash adjusters',
            short: 'adjusters',
            station: 'passages',
            readings: ['head.adjusterGap'],
            kind: 'lifters',
          })
        : undefined
    return (values, now) => {
      restrictor.diameter = values.restrictor
      restrictor.dischargeCoefficient = now.discharge
      for (const film of cams) {
        setHoleFed(
          film,
          now,
          now.film,
          values.camJournal,
          values.camLength,
          0.5 * values.camClearance,
          0.5 * now.speed,
          ECCENTRICITY,
        )
        film.conductance *= headCamJournals
        film.carried *= headCamJournals
      }
      if (adjusters)
        adjusters.conductance =
          (lashAdjusters * LEAKS * Math.PI * values.adjusterDiameter * values.adjusterGap ** 3 * PRESSED_ASIDE) /
          (12 * now.viscosity * values.adjusterLand)
    }
  },
  faults: [
    {
      key: 'restrictor-out',
      words: 'a restrictor is left out, or is too wide',
      look: 'Look at the restrictor of the rockers’ or the head’s feed, and at the jets.',
      effect: () => ({ change: (v) => void (v.restrictor = 8 * MM) }),
    },
  ],
  passages: ({ mains, lashAdjusters }) => [
    {
      key: 'passage.headRestrictor',
      label: 'Head feed restrictor',
      kind: 'restrictor',
      place: 'rockers',
      at: mains,
      inside: true,
      sealed: false,
      readings: ['head.restrictor'],
      absent: { kind: 'bore', bore: 8 * MM },
    },
    {
      key: 'passage.headPlug',
      label: 'Plugs of the head’s oil passage',
      kind: 'plug',
      place: 'rockers',
      inside: true,
      sealed: true,
      readings: ['head.camClearance', 'head.camJournal', 'head.camLength'],
      absent: { kind: 'leak', node: 'head', bore: 6 * MM },
    },
    ...(lashAdjusters > 0
      ? [
          {
            key: 'passage.lashAdjusters',
            label: 'Lash adjusters, all in and bled',
            kind: 'lifters' as const,
            place: 'rockers' as const,
            inside: true,
            sealed: false,
            readings: ['head.adjusterGap', 'head.adjusterDiameter', 'head.adjusterLand'],
            absent: { kind: 'leak' as const, node: 'head', bore: 4 * MM },
          },
        ]
      : []),
  ],
  looked: (layout) => lifterWords(layout, 'prime.adjusters'),
  judged: (sheet) => judgedRow(sheet, 'prime.adjusters'),
  outlets: ({ headCams, lashAdjusters }) => [
    ...Array.from({ length: headCams }, (_, i) => ({
      node: 'head',
      label: `Overhead cam ${i + 1}`,
      check: `prime.headCam${i + 1}`,
    })),
    ...(lashAdjusters > 0 ? [{ node: 'head', label: 'Lash adjusters up', check: 'prime.adjusters' }] : []),
  ],
  checks: ({ headCams, lashAdjusters }) => [
    ...Array.from({ length: headCams }, (_, i) =>
      check(
        'prime',
        `prime.headCam${i + 1}`,
        `Overhead cam ${i + 1}`,
        'No oil at the cam: look at the head’s restrictor, at its gasket’s hole, at a plug left out.',
        { group: 'outlet' },
      ),
    ),
    ...(lashAdjusters > 0
      ? [
          check(
            'prime',
            'prime.adjusters',
            'Lash adjusters up',
            'Adjusters that stay down get no oil, or bleed down: a fountain is one without metering.',
            { group: 'outlet' },
          ),
        ]
      : []),
  ],
  steps: () => [
    {
      key: 'head.restrictor',
      label: 'Head restrictor 0.5 mm smaller',
      change: (v) => (v.restrictor = Math.max(0.5 * MM, v.restrictor - 0.5 * MM)),
    },
  ],
})
