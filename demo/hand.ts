import { passagesOf, quantitiesOf } from '../core/engine/catalogue'
import { findUnit } from '../core/quantity/parse'
import { toSI, UNITS } from '../core/quantity/units'
import { normal, seeded } from '../core/random/random'
import type { Reading, Sheet } from '../core/record/schema'

/** When the demo's work began, ms since 1970. */
export const START = Date.parse('2026-05-11T08:00:00Z')

/** Records readings as hands would: one after the other, in a unit, with an instrument, by someone. */
export function recorder(sheet: Sheet, by: string, day: number) {
  const quantities = new Map(quantitiesOf(sheet.layout).map((quantity) => [quantity.key, quantity]))
  let minute = 0
  const at = () => new Date(START + day * 86_400_000 + minute++ * 95_000).toISOString()
  return {
    read(instrument: string, unit: string, entries: Record<string, number>, source: Reading['source'] = 'measured') {
      for (const [key, number] of Object.entries(entries)) {
        const quantity = quantities.get(key)
        if (!quantity) throw new Error(`demo: no quantity ${key}`)
        const found = findUnit(unit, quantity.dimension) ?? UNITS[quantity.dimension][0]
        sheet.readings[key] = {
          value: Number(toSI(number, found).toPrecision(9)),
          source,
          by,
          at: at(),
          typed: `${number} ${unit}`.trim(),
          ...(instrument ? { instrument } : {}),
        }
      }
    },
    check(keys: string[], state: 'done' | 'fault' = 'done', note?: string) {
      for (const key of keys) sheet.checks[key] = { state, by, at: at(), ...(note ? { note } : {}) }
    },
    find(entries: Record<string, string>, note?: string) {
      for (const [key, finding] of Object.entries(entries))
        sheet.inspections[key] = { finding, by, at: at(), ...(note ? { note } : {}) }
    },
    /** Every passage of the layout fitted or as it belongs, sealed as said. */
    walk(sealed: string) {
      for (const { key, fit, sealed: wants } of passagesOf(sheet.layout)) {
        const finding = fit ? fit.right : 'fitted'
        sheet.inspections[key] = { finding, by, at: at() }
        if (wants) sheet.choices[`${key}.seal`] = sealed
      }
    },
  }
}

interface BearingRun {
  /** Nominal journal, mm. */
  journal: number
  /** Clearances wanted, mm, front to back. */
  clearances: number[]
}

/** Journals scatter by two microns, bores follow so that the clearances come out as wanted; all journals first, then all bores. */
export function recordBearings(
  hand: ReturnType<typeof recorder>,
  set: string,
  { journal, clearances }: BearingRun,
  micrometer: string,
  seed: number,
  skip: number[] = [],
) {
  const random = seeded(seed)
  const journals: Record<string, number> = {}
  const bores: Record<string, number> = {}
  clearances.forEach((clearance, i) => {
    if (skip.includes(i + 1)) return
    const own = Number((journal + 0.001 * Math.round(1.2 * normal(random))).toFixed(3))
    journals[`${set}.${i + 1}.journal`] = own
    bores[`${set}.${i + 1}.bore`] = Number((own + clearance).toFixed(3))
  })
  hand.read(micrometer, 'mm', journals)
  hand.read('Bore gauge 50 to 100', 'mm', bores)
}

export function brief(
  sheet: Sheet,
  by: string,
  day: number,
  speeds: [number, number, number, number, number],
  cold: number,
  hot: number,
  size: [number, number],
) {
  const hand = recorder(sheet, by, day)
  const [idle, coldIdle, working, maximum, cranking] = speeds
  hand.read(
    '',
    'rpm',
    {
      'brief.idleSpeed': idle,
      'brief.coldIdleSpeed': coldIdle,
      'brief.workingSpeed': working,
      'brief.maximumSpeed': maximum,
      'brief.crankingSpeed': cranking,
    },
    'maker',
  )
  hand.read('', '°C', { 'brief.coldStart': cold, 'brief.hotOil': hot }, 'maker')
  hand.read('', 'mm', { 'size.cylinderBore': size[0], 'size.stroke': size[1] }, 'maker')
  return hand
}
