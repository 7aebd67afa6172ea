import { bore, length, MM } from './drafts'
import { mainShells } from './mainGrooves'
import { between, part } from './part'
import type { PassageItem } from './passage'
import { reading, sized } from './reading'

const PLUG_BORE = 12 * MM

const sizes = sized({
  bore: {
    reading: reading('passages', 'gallery.bore', 'Gallery bore', bore(12, 0.08, 'a usual block', [4 * MM, 30 * MM])),
  },
  pitch: {
    reading: reading(
      'passages',
      'gallery.pitch',
      'Main to main, along the gallery',
      length(100 * MM, 0.15, [30 * MM, 600 * MM], { sigma: 1 * MM, basis: 'a usual block' }),
    ),
  },
  drilling: {
    reading: reading(
      'passages',
      'gallery.drilling',
      'Drilling from the gallery to a main',
      bore(7, 0.1, 'a usual block', [2 * MM, 20 * MM]),
    ),
  },
  feed: {
    reading: reading(
      'passages',
      'gallery.feed',
      'Way from the filter to the gallery',
      bore(12, 0.08, 'a usual block', [4 * MM, 30 * MM]),
    ),
  },
})

/** The main gallery: fed where the gauge stands, from the filter; to each main by a drilling; closed by a plug at either end. */
export const gallery = part({
  ...sizes,
  values: (sheet) => ({
    ...sizes.values(sheet),
    shellHoles: mainShells(sheet).map(({ holeMeasured, holes, hole }) => (holeMeasured ? holes * hole * hole : 0)),
  }),
  name: 'gallery',
  fitted: () => true,
  place: (circuit, { mains }) => {
    const along = Array.from({ length: mains - 1 }, (_, i) =>
      circuit.pipe(
        `gallery ${i + 1} to ${i + 2}`,
        circuit.gallery(i + 1),
        circuit.gallery(i + 2),
        { length: 0.1, diameter: 12 * MM },
        { words: `Gallery, ${i + 1} to ${i + 2}`, station: 'passages', readings: ['gallery.bore'] },
      ),
    )
    const down = Array.from({ length: mains }, (_, i) =>
      circuit.pipe(
        `drilling ${i + 1}`,
        circuit.gallery(i + 1),
        `main ${i + 1}`,
        { length: 0.05, diameter: 7 * MM, k: 1.5 },
        { words: `Drilling to main ${i + 1}`, station: 'passages', readings: ['gallery.drilling'] },
      ),
    )
    for (let i = 1; i <= mains; i++) circuit.junction(circuit.gallery(i), { height: 0.06 })
    const feed = circuit.pipe(
      'feed',
      circuit.supply,
      circuit.gauge,
      { length: 0.15, diameter: 12 * MM, k: 1.5 },
      { words: 'From the filter to the gallery', station: 'passages', readings: ['gallery.feed'] },
    )
    return (values, now) => {
      for (const pipe of along) {
        pipe.diameter = values.bore
        pipe.length = values.pitch
      }
      for (let i = 0; i < down.length; i++) {
        down[i].diameter = values.drilling
        // A shell's hole holds up as a sharp-edged one does: K = (A / (C_d A_h))², referred to the drilling.
        const holes = values.shellHoles[i]
        down[i].k = holes > 0 ? 1.5 + ((values.drilling * values.drilling) / (now.discharge * holes)) ** 2 : 1.5
      }
      feed.diameter = values.feed
      // A measured outlet port stands in for a third of the feed's turns: entry from a bore of its own.
      feed.k = now.outletPort === undefined ? 1.5 : 1 + 0.5 * (values.feed / now.outletPort) ** 4
    }
  },
  passages: ({ mains }) =>
    (
      [
        [
          'passage.frontPlug',
          'Gallery plug, front',
          1,
          ['gallery.bore', 'gallery.pitch', 'gallery.drilling', 'gallery.feed'],
        ],
        ['passage.rearPlug', 'Gallery plug, rear', mains, []],
      ] as const
    ).map(([key, label, at, readings]): PassageItem => ({
      key,
      label,
      kind: 'plug',
      place: 'gallery',
      at,
      inside: true,
      sealed: true,
      readings: [...readings],
      absent: { kind: 'leak', node: `gallery ${at}`, bore: PLUG_BORE },
    })),
  faults: [
    {
      key: 'plug-out',
      words: 'a gallery plug is left out inside',
      look: 'Nothing shows outside. Look at the gallery plugs, front and rear.',
      effect: (severity) => ({ leftOut: [severity < 0.5 ? 'passage.frontPlug' : 'passage.rearPlug'] }),
    },
    {
      key: 'gallery-blocked',
      words: 'the gallery is blocked, or not drilled through',
      look: 'Try the gallery with a rod or a wire, from the filter’s pad and from both plugs.',
      // Before the gauge it reads low, behind it high.
      effect: (severity) => ({
        change: (v) => {
          if (severity < 0.5) v.feed *= between(severity, 0.3, 0.12)
          else v.drilling *= between(severity, 0.6, 0.35)
        },
      }),
    },
    {
      key: 'shell-hole',
      words: 'a shell stands without its hole over the feed',
      look: 'Take the caps off, and look at each shell’s oil hole against its drilling.',
      effect: (severity) => ({
        change: (v) => {
          v.shellHoles[Math.floor(severity * 0.999 * v.shellHoles.length)] = 1e-6
        },
      }),
    },
  ],
})
