import type { Draft } from './drafts'
import type { Layout, Sheet } from '../record/schema'
import type { Sourced } from '../record/sourced'
import type { Quantity, Station } from '../record/quantity'
import type { Input } from './input'

/** A number that can be recorded of a part, for every layout that has the part. */
export interface ReadingSpec<Key extends string = string> {
  key: Key
  station: Station
  label: string | ((layout: Layout) => string)
  draft: Draft | ((layout: Layout) => Draft)
  /** Layouts that have it; all, where it is left out. */
  when?: (layout: Layout) => boolean
  /** How many alike there are, where it is one of a row: `#` in key and label is its number, from 1. */
  count?: (layout: Layout) => number
  /** Whether a sheet need not record it, since something else on record gives it. */
  replaced?: (sheet: Sheet, number: number) => boolean
}

/** A number that can be recorded. */
export const reading = <const Key extends string>(
  station: Station,
  key: Key,
  label: ReadingSpec['label'],
  draft: ReadingSpec['draft'],
  when?: ReadingSpec['when'],
  replaced?: ReadingSpec['replaced'],
): ReadingSpec<Key> => ({ station, key, label, draft, when, replaced })

/** One of a row, such as each main's journal: `each('bearings', 'main.#.journal', …)` stands for `main.1.journal` and on. */
export const each = <const Key extends string>(
  station: Station,
  key: Key,
  label: ReadingSpec['label'],
  draft: ReadingSpec['draft'],
  count: (layout: Layout) => number,
  replaced?: ReadingSpec['replaced'],
): ReadingSpec<Numbered<Key>> => ({ station, key: key as unknown as Numbered<Key>, label, draft, count, replaced })

/** `main.#.journal` as the keys that it stands for. */
export type Numbered<Key extends string> = Key extends `${infer Before}#${infer After}`
  ? `${Before}${number}${After}`
  : Key

/** A reading's quantity in a layout. */
export function quantityOf(
  { key, station, label, draft, replaced }: ReadingSpec,
  layout: Layout,
  number = 0,
): Quantity {
  const quantity: Quantity = {
    key: key.replace('#', String(number)),
    station,
    label: (typeof label === 'string' ? label : label(layout)).replace('#', String(number)),
    ...(typeof draft === 'function' ? draft(layout) : draft),
  }
  if (quantity.bearing) quantity.bearing = { ...quantity.bearing, number }
  if (replaced) quantity.replaced = (sheet) => replaced(sheet, number)
  return quantity
}

/** All of a part's quantities in a layout: rows one after the other. */
export function quantitiesOfReadings(specs: readonly ReadingSpec[], layout: Layout): Quantity[] {
  const list: Quantity[] = []
  const done = new Set<ReadingSpec>()
  for (const spec of specs) {
    if (done.has(spec) || (spec.when && !spec.when(layout))) continue
    if (!spec.count) {
      list.push(quantityOf(spec, layout))
      continue
    }
    // Readings of one thing stand together: journal and bore of main 1, then those of main 2.
    const row = specs.filter((other) => other.count === spec.count && (!other.when || other.when(layout)))
    for (const other of row) done.add(other)
    for (let i = 1; i <= spec.count(layout); i++) for (const other of row) list.push(quantityOf(other, layout, i))
  }
  return list
}

/** What a sheet holds for a reading: what was read, else the layout's default; undefined where there is neither. */
export function recordedOrDefaultOf(sheet: Sheet, spec: ReadingSpec): Sourced | undefined {
  const quantity = quantityOf(spec, sheet.layout)
  const read = sheet.readings[spec.key]
  if (read) return { value: read.value, sigma: read.uncertainty ?? quantity.sigma, source: read.source }
  if (quantity.fallback === undefined) return undefined
  return { value: quantity.fallback, sigma: quantity.fallbackSigma ?? 0, source: 'layout' }
}

/** The same of a reading that always has a default. */
export function valueOf(sheet: Sheet, spec: ReadingSpec): Sourced {
  const held = recordedOrDefaultOf(sheet, spec)
  if (!held) throw new RangeError(`${spec.key}: has neither a reading nor a default`)
  return held
}

/** A size that sets the circuit: its reading, and where it is more than that, how it is found and how it is taken. */
export interface Size<Key extends string = string, Optional extends boolean = boolean> {
  reading: ReadingSpec<Key>
  /** Computed from more than its own reading. */
  held?: (sheet: Sheet) => Sourced
  /** Known well enough never to vary. */
  fixed?: boolean
  /** Not there in every layout, or only where it was recorded. */
  optional?: Optional
  recordedOnly?: boolean
  /** No more than this, however it varies. */
  most?: number
}

export type Sizes = Record<string, Size>
type SizeValues<S extends Sizes> = {
  -readonly [F in keyof S]: S[F] extends { optional: true } ? number | undefined : number
}
export type KeysOfSizes<S extends Sizes> = S[keyof S]['reading']['key']

/** What a part of plain sizes says of itself: its readings, its values and what is uncertain in them, in their order. */
export function sized<S extends Sizes>(sizes: S) {
  const fields = Object.keys(sizes) as (keyof S & string)[]
  const has = (sheet: Sheet, { reading: spec, recordedOnly }: Size) =>
    (!spec.when || spec.when(sheet.layout)) && (!recordedOnly || spec.key in sheet.readings)
  const held = (sheet: Sheet, size: Size) => size.held?.(sheet) ?? valueOf(sheet, size.reading)
  return {
    sizes,
    readings: fields.map((field) => sizes[field].reading) as ReadingSpec<KeysOfSizes<S>>[],
    values: (sheet: Sheet) =>
      Object.fromEntries(
        fields.map((field) => [field, has(sheet, sizes[field]) ? held(sheet, sizes[field]).value : undefined]),
      ) as SizeValues<S>,
    inputs: (sheet: Sheet): Input<SizeValues<S>>[] =>
      fields.flatMap((field) => {
        const size = sizes[field]
        if (size.fixed || !has(sheet, size)) return []
        const { key, label, station } = quantityOf(size.reading, sheet.layout)
        const put = (values: SizeValues<S>, value: number) => {
          const record = values as Record<string, number | undefined>
          record[field] = size.most === undefined ? value : Math.min(size.most, value)
        }
        return [{ key, label, station, ...held(sheet, size), put }]
      }),
  }
}
