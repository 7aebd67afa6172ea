import { limitOf } from '../house/makerLimits'
import { bore, MICRON, MM, opening, plain } from './drafts'
import { laminar } from './laminar'
import { between, type Judged, part } from './part'
import { fitOf, setBypass } from './passage'
import { reading, sized } from './reading'

const filtered = ({ filter }: { filter: boolean }) => filter

const sizes = sized({
  bypass: { reading: reading('passages', 'passage.filterBypass', 'Filter bypass opens at', opening(1), filtered) },
  loss: {
    reading: reading(
      'passages',
      'passage.filterLoss',
      'Filter loss, hot oil at 20 L/min',
      {
        dimension: 'pressure',
        fallback: 15e3,
        fallbackSigma: 6e3,
        sigma: 2e3,
        plausible: [2e3, 150e3],
        wanted: false,
        minutes: 15,
      },
      filtered,
    ),
  },
  seat: {
    reading: reading(
      'passages',
      'filter.bypassSeat',
      'Filter bypass, bore of its seat',
      bore(10, 0.1, 'a usual bypass valve', [3 * MM, 25 * MM]),
      filtered,
    ),
  },
})

/** What a filter's loss is given for: 20 L/min (19.8), m³/s. */
const GIVEN = 3.3e-4
/** A way with no filter in it, m³/(s·Pa): no loss that counts. */
const BARE = 1e-6
const FILTER_OUTLET = 20e-6

/** The full-flow filter with its bypass valve; without one, its bare way. */
export const filter = part({
  name: 'filter',
  fitted: () => true,
  readings: [
    ...sizes.readings,
    reading(
      'passages',
      'filter.rating',
      'Filter can, highest pressure',
      plain('pressure', 0.1e5, [3e5, 40e5], { fromMaker: true }),
      filtered,
    ),
    reading(
      'passages',
      'passage.filterGap',
      'Filter housing, feeler under the straightedge',
      plain('clearance', 10 * MICRON, [0, 3 * MM]),
      filtered,
    ),
  ],
  values: (sheet) => ({ ...sizes.values(sheet), fit: fitOf(sheet, 'passage.filterBypass', 'in') }),
  inputs: (sheet) => sizes.inputs(sheet),
  inLine: 2,
  place: (circuit, layout) => {
    const from = circuit.supply
    const to = circuit.junction('filter outlet', { room: FILTER_OUTLET, height: -0.04 })
    circuit.supply = to
    const core = circuit.linear('filter', from, to, {
      words: 'Filter',
      station: 'passages',
      readings: ['passage.filterLoss'],
    })
    if (!layout.filter) {
      core.conductance = BARE
      return () => {
        core.conductance = BARE
      }
    }
    const valve = circuit.valve('filter bypass', from, to, {
      words: 'Filter’s bypass valve',
      station: 'passages',
      readings: ['passage.filterBypass'],
    })
    return (values, { viscosity }) => {
      core.conductance = laminar(GIVEN, values.loss, viscosity)
      setBypass(valve, values.bypass, values.fit, values.seat)
    }
  },
  faults: [
    {
      key: 'filter-wrong',
      words: 'the filter is the wrong one, or stopped up',
      look: 'Fit another filter of the maker’s number, its seal oiled and its bypass valve the one that belongs.',
      fits: (layout) => layout.filter,
      effect: (severity) => ({
        change: (v) => {
          v.loss *= between(severity, 8, 40)
          v.bypass *= between(severity, 1.5, 3)
        },
      }),
    },
  ],
  passages: (layout) =>
    layout.filter
      ? [
          {
            key: 'passage.filter',
            label: 'Filter, new, its seal oiled',
            kind: 'filter',
            place: 'filter',
            inside: false,
            sealed: true,
            readings: ['passage.filterLoss', 'passage.filterGap', 'filter.rating'],
            absent: { kind: 'none', means: 'A rolled seal blows out cold, when pressure is highest.' },
          },
          {
            key: 'passage.filterBypass',
            label: 'Filter’s bypass valve',
            kind: 'bypass',
            place: 'filter',
            inside: true,
            sealed: false,
            readings: ['passage.filterBypass', 'filter.bypassSeat'],
            absent: { kind: 'none', means: '' },
            fit: {
              right: 'in',
              means: {
                in: '',
                open: 'Oil goes round the filter at all times: nothing is filtered.',
                plugged: 'A blocked filter stops all oil; cold oil may burst it.',
              },
            },
          },
          {
            key: 'passage.antiDrain',
            label: 'Anti-drain valve',
            kind: 'valve',
            place: 'filter',
            inside: true,
            sealed: false,
            absent: {
              kind: 'none',
              means: 'The filter empties overnight; the gauge is late at every start, and right once it has come.',
            },
          },
        ]
      : [],
  judged: (sheet): Judged[] => judgedHousing('filter', sheet.readings['passage.filterGap']?.value, sheet),
})

/** A housing's gap against the house's limit. */
export function judgedHousing(word: string, gap: number | undefined, sheet: Parameters<typeof limitOf>[0]): Judged[] {
  if (gap === undefined) return []
  const verdict = gap > limitOf(sheet, 'passage.housingGap').value ? 'stop' : 'pass'
  return [{ station: 'passages', verdict, about: `${word} housing stands off` }]
}
