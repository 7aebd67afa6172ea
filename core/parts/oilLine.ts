import { check } from '../record/looked'
import type { Layout } from '../record/schema'
import { bore, type Draft, length, MM } from './drafts'
import { recheck } from './firstStart'
import { part } from './part'
import { reading, sized } from './reading'

const count = (fallback: number, plausible: [number, number], basis: string): Draft => ({
  dimension: 'count',
  fallback,
  fallbackSigma: 0,
  sigma: 0.1,
  plausible,
  wanted: false,
  basis,
})

const sizes = sized({
  bore: {
    reading: reading(
      'passages',
      'line.bore',
      'Oil line, inside diameter',
      length(5 * MM, 0.1, [1.5 * MM, 20 * MM], { minutes: 4 }),
    ),
  },
  length: {
    reading: reading(
      'passages',
      'line.length',
      'Oil line, length',
      length(600 * MM, 0.15, [50 * MM, 4000 * MM], { sigma: 5 * MM, minutes: 2 }),
    ),
  },
  bends: { reading: reading('passages', 'line.bends', 'Oil line, bends of 90°', count(2, [0, 12], 'a usual line')) },
  hole: {
    reading: reading(
      'passages',
      'line.hole',
      'Banjo bolt, its smallest holes',
      length(2.5 * MM, 0.15, [0.4 * MM, 10 * MM], { minutes: 4 }),
    ),
  },
  holes: {
    reading: reading(
      'passages',
      'line.holes',
      'Banjo bolts, such holes in each',
      count(2, [1, 6], 'a usual banjo bolt'),
    ),
  },
  cross: {
    reading: reading(
      'passages',
      'line.cross',
      'Banjo bolt, bore along it',
      bore(4, 0.1, 'a usual banjo bolt', [1 * MM, 14 * MM]),
    ),
  },
})

/** Loss coefficient of a bend of 90° and of a banjo's turn into its line. Source: Idelchik, Handbook of Hydraulic Resistance, section 6. */
const BEND = 0.9
const TURN = 1.5
/** An orifice of a bolt's cross holes and of the bore along it, one behind the other at either end: four holes in row. */
const BOLTS = 2

const fedPart = ({ oilLine, headCams }: Layout): string =>
  oilLine === 'turbo' ? 'turbo' : headCams > 0 ? 'head' : 'rockers'

/**
 * An external oil line with banjo fittings, from the filter's outlet or the gallery to a head or a turbo. Oil passes a bolt's bore and its cross
 * holes at either end: areas in row, 1/A² added, stand in one hole.
 */
export const oilLine = part({
  ...sizes,
  name: 'oilLine',
  fitted: ({ oilLine: to }) => to !== 'none',
  place: (circuit, layout) => {
    const from = layout.oilLineFrom === 'filter' ? circuit.supply : circuit.gauge
    const middle = circuit.junction('oil line', { height: 0.16 })
    const fittings = circuit.orifice('oil line fittings', from, middle, {
      words: 'Banjo fittings of the oil line',
      short: 'fittings',
      station: 'passages',
      readings: ['line.hole', 'line.cross'],
      ...(layout.oilLine === 'turbo' ? { kind: 'turbo' } : {}),
    })
    const line = circuit.pipe(
      'oil line',
      middle,
      circuit.junction(fedPart(layout), {}),
      { length: 0.6, diameter: 5 * MM, k: 1 },
      { words: 'External oil line', short: 'line', station: 'passages', readings: ['line.bore', 'line.length'] },
    )
    return (values, { discharge }) => {
      line.diameter = values.bore
      line.length = values.length
      line.k = 1 + BEND * values.bends + BOLTS * TURN
      line.k1 = 300 * line.k
      const [cross, along] = [Math.max(1, values.holes) * values.hole ** 2, values.cross ** 2]
      fittings.diameter = Math.sqrt(1 / Math.sqrt(BOLTS * (1 / cross ** 2 + 1 / along ** 2)))
      fittings.dischargeCoefficient = discharge
    }
  },
  passages: (layout) => [
    {
      key: 'passage.oilLine',
      label: 'External oil line, new washers at its banjos',
      kind: 'line',
      place: layout.oilLine === 'turbo' ? 'turbo' : 'rockers',
      inside: false,
      sealed: true,
      readings: ['line.bore', 'line.length', 'line.bends', 'line.hole', 'line.holes', 'line.cross'],
      absent: {
        kind: 'leak',
        node: layout.oilLineFrom === 'filter' ? 'filter outlet' : `gallery ${Math.ceil(layout.mains / 2)}`,
        bore: 4 * MM,
      },
    },
  ],
  outlets: (layout) => [{ node: fedPart(layout), label: 'At the oil line', check: 'prime.oilLine' }],
  checks: () => [
    check(
      'prime',
      'prime.oilLine',
      'At the oil line',
      'No oil at its end: look at the banjo’s holes and at both washers.',
      {
        group: 'outlet',
      },
    ),
    recheck('recheckOilLine', 'Oil line and its banjos: dry'),
  ],
  steps: () => [
    {
      key: 'line.hole',
      label: 'Oil line’s banjo holes 0.5 mm wider',
      change: (v) => (v.hole += 0.5 * MM),
    },
  ],
})
