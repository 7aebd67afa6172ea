import type { Layout } from '../record/schema'
import { bore, MICRON, MM, opening, plain } from './drafts'
import { judgedHousing } from './filter'
import { recheck } from './firstStart'
import { laminar } from './laminar'
import { part } from './part'
import { type BypassFit, fitOf, setBypass } from './passage'
import { reading, sized } from './reading'

const sizes = sized({
  bypass: { reading: reading('passages', 'passage.coolerBypass', 'Cooler bypass opens at', opening(1.5)) },
  loss: {
    reading: reading(
      'passages',
      'cooler.loss',
      'Cooler loss, hot oil at 20 L/min',
      {
        dimension: 'pressure',
        fallback: 30e3,
        fallbackSigma: 12e3,
        sigma: 3e3,
        plausible: [2e3, 300e3],
        wanted: false,
        basis: 'a usual plate cooler',
      },
      ({ cooler }) => cooler,
    ),
  },
  seat: {
    reading: reading(
      'passages',
      'cooler.bypassSeat',
      'Cooler bypass, bore of its seat',
      bore(10, 0.1, 'a usual bypass valve', [3 * MM, 25 * MM]),
    ),
  },
})

/** What a cooler's loss is given for: 20 L/min (19.8), m³/s. */
const GIVEN = 3.3e-4
/** A cooler's place joined through, m³/(s·Pa): no loss that counts. */
const BARE = 1e-6
const CORE = 0.25e-3

/**
 * How the bypass valve belongs: round a fitted cooler in its place; where a cooler is gone, out and the way open, so that oil has its way without
 * pushing the valve up; where it leads to the sump and no cooler is there to guard, plugged.
 */
export function coolerFit({ coolerPlugged, coolerBypass }: Layout): BypassFit {
  if (!coolerPlugged) return 'in'
  return coolerBypass === 'sump' ? 'plugged' : 'open'
}

/** The way of leaving it that costs the gauge most: open to the sump; a valve that all oil must push up; a cooler that nothing goes round. */
function wrongFit({ coolerPlugged, coolerBypass }: Layout): BypassFit {
  if (coolerBypass === 'sump') return coolerPlugged ? 'in' : 'open'
  return coolerPlugged ? 'in' : 'plugged'
}

/** The oil cooler with its bypass valve between pump and filter; or the place of one that is gone, its ports plugged. */
export const cooler = part({
  name: 'cooler',
  fitted: (layout) => layout.cooler || layout.coolerPlugged,
  readings: [
    ...sizes.readings,
    reading(
      'passages',
      'cooler.rating',
      'Oil cooler, highest pressure',
      plain('pressure', 0.1e5, [3e5, 40e5], { fromMaker: true }),
      ({ cooler }) => cooler,
    ),
    reading(
      'passages',
      'passage.coolerGap',
      'Cooler housing, feeler under the straightedge',
      plain('clearance', 10 * MICRON, [0, 3 * MM]),
    ),
  ],
  values: (sheet) => ({
    ...sizes.values(sheet),
    fit: fitOf(sheet, 'passage.coolerBypass', coolerFit(sheet.layout)),
  }),
  inputs: (sheet) => sizes.inputs(sheet),
  inLine: 1,
  place: (circuit, { coolerPlugged, coolerBypass }) => {
    const from = circuit.supply
    const to = circuit.junction('cooler outlet', { room: CORE, height: -0.02 })
    circuit.supply = to
    const core = circuit.linear('cooler', from, to, {
      words: 'Cooler',
      station: 'passages',
      readings: coolerPlugged ? ['passage.coolerBypass'] : ['cooler.loss'],
    })
    const toSump = coolerBypass === 'sump'
    const valve = circuit.valve('cooler bypass', from, toSump ? 'sump' : to, {
      words: 'Cooler’s bypass valve',
      station: 'passages',
      readings: ['passage.coolerBypass'],
      kind: toSump ? 'lost' : undefined,
    })
    return (values, { viscosity }) => {
      core.conductance = !coolerPlugged ? laminar(GIVEN, values.loss, viscosity) : toSump ? BARE : 0
      setBypass(valve, values.bypass, values.fit, values.seat)
    }
  },
  faults: [
    {
      key: 'bypass-wrong',
      words: 'a bypass valve is not the one that belongs',
      look: 'Look at the bypass valves by filter and cooler: which are in, which are out, which ways are plugged.',
      effect: (_, layout) => ({ change: (v) => void (v.fit = wrongFit(layout)) }),
    },
  ],
  passages: (layout) => [
    {
      key: layout.coolerPlugged ? 'passage.coolerPorts' : 'passage.cooler',
      label: layout.coolerPlugged ? 'Cooler’s ports, plugged' : 'Oil cooler',
      kind: 'cooler',
      place: 'cooler',
      inside: false,
      sealed: true,
      readings: ['passage.coolerGap', ...(layout.cooler ? (['cooler.loss', 'cooler.rating'] as const) : [])],
      absent: {
        kind: 'none',
        means: layout.coolerPlugged
          ? 'Oil leaves outside, at once and in plenty.'
          : 'Without it hot oil runs hotter than the brief says.',
      },
    },
    {
      key: 'passage.coolerBypass',
      label: layout.coolerBypass === 'sump' ? 'Cooler’s valve, to the sump' : 'Cooler’s bypass valve',
      kind: 'bypass',
      place: 'cooler',
      inside: true,
      sealed: false,
      readings: ['passage.coolerBypass', 'cooler.bypassSeat'],
      absent: { kind: 'none', means: '' },
      fit: { right: coolerFit(layout), means: meaningsOf(layout) },
    },
    ...(layout.cooler
      ? [
          {
            key: 'passage.coolerLines',
            label: 'Cooler lines, unions tight',
            kind: 'line' as const,
            place: 'cooler' as const,
            inside: false,
            sealed: true,
            absent: {
              kind: 'none' as const,
              means: 'A weeping union shows outside; a kinked line works like a blocked cooler.',
            },
          },
        ]
      : []),
  ],
  checks: (layout) => (layout.cooler ? [recheck('recheckLines', 'Cooler lines and unions')] : []),
  judged: (sheet) => judgedHousing('cooler', sheet.readings['passage.coolerGap']?.value, sheet),
})

function meaningsOf({ coolerPlugged, coolerBypass }: Layout): Record<BypassFit, string> {
  const sump = coolerBypass === 'sump'
  const ALL_BACK = 'Everything the pump gives runs back to the sump.'
  if (coolerPlugged)
    return sump
      ? {
          in: 'It lets oil back to the sump at its opening pressure, below any relief: an alarmingly low hot idle on a sound engine.',
          open: ALL_BACK,
          plugged: '',
        }
      : {
          in: 'With the ports plugged all oil must push the valve up: its opening pressure is lost on the way, and the relief opens by that much sooner.',
          open: '',
          plugged: 'With the ports plugged as well no oil reaches the gallery at all.',
        }
  return {
    in: '',
    open: sump ? ALL_BACK : 'Oil goes round the cooler at all times: it runs hot.',
    plugged: sump
      ? 'Nothing guards the cooler from cold oil’s pressure.'
      : 'Cold oil has no way round: the cooler takes full pressure.',
  }
}
