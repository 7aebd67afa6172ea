import { bore, gap, MICRON, MM } from './drafts'
import { setHoleFed } from './bearingInputs'
import { part } from './part'
import { reading, sized } from './reading'

/** Room of an oil hole, m³; eccentricity of a cam's journal under its springs. */
const HOLE = 0.5e-6
const ECCENTRICITY = 0.6

const sizes = sized({
  clearance: {
    reading: reading(
      'bearings',
      'cam.clearance',
      'Cam bearing clearance',
      gap(60 * MICRON, 0.25, [10 * MICRON, 300 * MICRON], { minutes: 20 }),
    ),
  },
  journal: {
    reading: reading(
      'passages',
      'cam.journal',
      'Cam journal diameter',
      bore(46, 0.1, 'a usual cam in the block', [12 * MM, 90 * MM]),
    ),
  },
  length: {
    reading: reading(
      'passages',
      'cam.length',
      'Cam bearing length',
      bore(20, 0.15, 'a usual cam in the block', [5 * MM, 60 * MM]),
    ),
  },
  drilling: {
    reading: reading(
      'passages',
      'cam.drilling',
      'Drilling from a main to a cam bearing',
      bore(5, 0.15, 'a usual block', [1.5 * MM, 15 * MM]),
    ),
  },
})

/** Cam bearings in the block, each fed by a drilling from a main. */
export const cam = part({
  ...sizes,
  name: 'cam',
  fitted: ({ camBearings }) => camBearings > 0,
  place: (circuit, { camBearings, mains }) => {
    const cams = Array.from({ length: camBearings }, (_, i) => {
      const fed = Math.min(mains, 1 + Math.floor((i * mains) / camBearings))
      const node = circuit.junction(`cam ${i + 1}`, { room: HOLE, height: 0.13 })
      return {
        drilling: circuit.pipe(
          `cam drilling ${i + 1}`,
          `main ${fed}`,
          node,
          { length: 0.08, diameter: 5 * MM, k: 1.5 },
          { words: `Drilling to cam bearing ${i + 1}`, station: 'passages', readings: ['cam.drilling'] },
        ),
        film: circuit.film(`cam ${i + 1} film`, node, {
          words: `Cam bearing ${i + 1}`,
          station: 'bearings',
          readings: ['cam.clearance'],
          kind: 'cam',
        }),
      }
    })
    return (values, now) => {
      for (const { drilling, film } of cams) {
        drilling.diameter = values.drilling
        // A cam turns at half of the crank's speed.
        setHoleFed(
          film,
          now,
          now.film,
          values.journal,
          values.length,
          0.5 * values.clearance,
          0.5 * now.speed,
          ECCENTRICITY,
        )
      }
    }
  },
  passages: ({ camBearings }) => [
    {
      key: 'passage.camPlug',
      label: 'Plug behind the rear cam bearing',
      kind: 'plug',
      place: 'cam',
      inside: true,
      sealed: true,
      readings: ['cam.drilling', 'cam.journal', 'cam.length'],
      absent: { kind: 'leak', node: `cam ${camBearings}`, bore: 10 * MM },
    },
  ],
  outlets: ({ camBearings }) =>
    Array.from({ length: camBearings }, (_, i) => ({ node: `cam ${i + 1}`, label: `Cam bearing ${i + 1}` })),
  steps: () => [
    {
      key: 'cam.clearance',
      label: 'Cam bearings 0.025 mm tighter',
      change: (v) => (v.clearance = Math.max(5 * MICRON, v.clearance - 25 * MICRON)),
    },
  ],
})
