import { z } from 'zod'
import { OilFigures } from '#core/record/schema'
import { parseQuantity } from '#core/quantity/parse'
import type { Dimension, Unit } from '#core/quantity/units'
import { SHELF_FIELDS, type Properties, type ShelfKind } from '#core/shelf/fields'
import { ShelfEntry } from '#core/shelf/schema'

/** Forms whose fields are typed with units: what was typed becomes what the record's own schema takes, and what that schema refuses is said at its field. */

/** A number as people type it: decimal comma, a real minus. */
export const typedNumber = (text: string): number =>
  Number(text.trim().replace(',', '.').replace('−', '-') || Number.NaN)

/** A data sheet's figures: what each is called, the unit it is printed in, and its factor to SI or the record's own. */
export const OIL_SHEET = [
  { field: 'kv40', title: 'Viscosity at 40 °C', unit: 'mm²/s', factor: 1 },
  { field: 'kv100', title: 'Viscosity at 100 °C', unit: 'mm²/s', factor: 1 },
  { field: 'density15', title: 'Density at 15 °C', unit: 'kg/m³', factor: 1 },
  { field: 'highShear150', title: 'High-shear viscosity at 150 °C', unit: 'mPa·s', factor: 1e-3 },
  { field: 'pumpingLimit', title: 'Pumps down to', unit: '°C', factor: 1 },
] as const

/** What an oil's data sheet says, typed; to `OilFigures`. */
export const oilSheetForm = z.record(z.string(), z.string()).transform((typed, context) => {
  const figures: Record<string, number> = {}
  const bad = new Set<string>()
  const say = (field: string, message: string) => {
    bad.add(field)
    context.addIssue({ code: 'custom', path: [field], message })
  }
  for (const { field, factor } of OIL_SHEET) {
    figures[field] = typedNumber(typed[field] ?? '') * factor
    if (!Number.isFinite(figures[field])) say(field, `“${typed[field] ?? ''}” is not a number`)
  }
  const checked = OilFigures.safeParse(figures)
  for (const { path, code, message, ...issue } of checked.error?.issues ?? []) {
    const { field, unit, factor } = OIL_SHEET.find((each) => each.field === path[0])!
    if (bad.has(field)) continue
    const limit = 'minimum' in issue ? issue.minimum : 'maximum' in issue ? issue.maximum : undefined
    say(
      field,
      limit === undefined || code === 'custom'
        ? message
        : `must be ${'minimum' in issue ? 'at least' : 'at most'} ${Number((Number(limit) / factor).toPrecision(6))} ${unit}`,
    )
  }
  return checked.success ? checked.data : z.NEVER
})

/** Something new for the shelf, typed; to `ShelfEntry`. Quantities are read in the units that are shown. */
export const shelfForm = (kind: ShelfKind, unit: (dimension: Dimension) => Unit) =>
  z.record(z.string(), z.string()).transform((typed, context) => {
    const bad = new Set<string>()
    const say = (field: string, message: string) => {
      bad.add(field)
      context.addIssue({ code: 'custom', path: [field], message })
    }
    const properties: Properties = {}
    for (const field of SHELF_FIELDS[kind]) {
      const text = (typed[field.key] ?? '').trim()
      if (text === '') continue
      if (field.type === 'quantity') {
        const parsed = parseQuantity(text, field.dimension, unit(field.dimension))
        if (parsed.ok) properties[field.key] = parsed.value
        else say(field.key, parsed.message)
      } else properties[field.key] = field.type === 'number' ? typedNumber(text) : text
    }
    const count = (typed.count ?? '').trim() || '1'
    if (!/^\d{1,4}$/.test(count)) say('count', 'must be a whole number from 0 to 9999')
    const entry = ShelfEntry.safeParse({
      kind,
      label: typed.label ?? '',
      engine: typed.engine ?? '',
      count: Number(count) || 0,
      place: typed.place ?? '',
      note: typed.note ?? '',
      properties,
    })
    for (const { path, message } of entry.error?.issues ?? [])
      if (!bad.has(String(path.at(-1)))) say(String(path.at(-1)), message)
    return entry.success && bad.size === 0 ? entry.data : z.NEVER
  })
