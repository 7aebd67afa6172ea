import { between, part } from './part'

/** The sender or gauge at the gallery's port. */
export const sender = part({
  name: 'sender',
  fitted: () => true,
  readings: [],
  values: () => ({}),
  passages: ({ mains }) => [
    {
      key: 'passage.sender',
      label: 'Sender adaptor, thread matched',
      kind: 'adaptor',
      place: 'gauge',
      at: Math.ceil(mains / 2),
      inside: false,
      sealed: true,
      absent: { kind: 'none', means: 'Oil leaves outside. A light switch in its place is no gauge.' },
    },
  ],
  faults: [
    {
      key: 'sender-low',
      words: 'the sender reads low',
      look: 'Read a mechanical gauge before anything is taken apart.',
      effect: (severity) => ({ sender: between(severity, 0.72, 0.6) }),
    },
    {
      key: 'lamp-only',
      words: 'the lamp, its switch or its wiring is at fault; the pressure is right',
      look: 'Read a mechanical gauge. Then the lamp’s switch: its thread, its pressure, its wire to earth.',
      effect: () => ({ lamp: 'on' }),
    },
  ],
})
