import { z } from 'zod'
import { parseQuantity } from '#core/quantity/parse'
import type { Dimension, Unit } from '#core/quantity/units'
import type { Sheet } from '#core/record/schema'
import { ServiceLine } from '#core/record/service'
import { t } from '~/words/of/logbook'

/** Numbers of a line in the service log as they are typed: which of them, and what they are. */
export const SERVICE_FIELDS = [
  { field: 'hours', dimension: 'span' },
  { field: 'distance', dimension: 'distance' },
  { field: 'pressure', dimension: 'pressure' },
  { field: 'speed', dimension: 'speed' },
  { field: 'temperature', dimension: 'temperature' },
  { field: 'topUp', dimension: 'volume' },
] as const satisfies readonly { field: keyof ServiceLine; dimension: Dimension }[]

/** The day of a date field as a time: noon there, so that it is the same day wherever it is read; now, where it is today. */
export function timeOfDay(day: string, now: Date): string | undefined {
  const [year, month, date] = /^(\d{4})-(\d\d)-(\d\d)$/.exec(day)?.slice(1).map(Number) ?? []
  if (year === undefined) return undefined
  const noon = new Date(year, month! - 1, date, 12)
  if (noon.getMonth() !== month! - 1 || noon.getDate() !== date) return undefined
  return (noon.toDateString() === now.toDateString() ? now : noon).toISOString()
}

/** A day as a date field has it. */
export const dayField = (at: Date): string =>
  [at.getFullYear(), String(at.getMonth() + 1).padStart(2, '0'), String(at.getDate()).padStart(2, '0')].join('-')

/** A line that is mended, with what its form began with: what was not touched stays to the last figure. */
export interface MendedLine {
  line: ServiceLine
  typed: Record<string, string>
}

/** A line of the service log, typed; to `ServiceLine`. What is wrong is said at its field. */
export const serviceForm = (
  unit: (dimension: Dimension) => Unit,
  now: Date,
  added: Partial<ServiceLine> = {},
  mended?: MendedLine,
) =>
  z.record(z.string(), z.string()).transform((typed, context) => {
    const bad = new Set<string>()
    const say = (field: string, message: string) => {
      bad.add(field)
      context.addIssue({ code: 'custom', path: [field], message })
    }
    const untouched = (field: string) => mended !== undefined && typed[field] === mended.typed[field]
    const at = untouched('day') ? mended!.line.at : timeOfDay(typed.day ?? '', now)
    if (at === undefined) say('day', t('years.chooseADay'))
    else if (Date.parse(at) > now.getTime() + 86400e3) say('day', t('years.dayLiesAhead'))
    const values: Record<string, number> = {}
    for (const { field, dimension } of SERVICE_FIELDS) {
      const text = (typed[field] ?? '').trim()
      if (text === '') continue
      const before = untouched(field) ? mended!.line[field] : undefined
      if (before !== undefined) {
        values[field] = before
        continue
      }
      const parsed = parseQuantity(text, dimension, unit(dimension))
      if (parsed.ok) values[field] = parsed.value
      else say(field, parsed.message)
    }
    if (values.pressure === undefined && !bad.has('pressure'))
      for (const field of ['speed', 'temperature'] as const)
        if (values[field] !== undefined) say('pressure', t('years.pressureWithIt'))
    const words = (field: 'instrument' | 'note') => {
      const text = (typed[field] ?? '').trim()
      return text ? { [field]: text } : {}
    }
    const line = ServiceLine.safeParse({ at, ...values, ...words('instrument'), ...words('note'), ...added })
    for (const { path, message } of line.error?.issues ?? []) {
      const field = String(path[0] ?? 'pressure')
      if (bad.size > 0 && (bad.has(field) || field === 'pressure' || field === 'at')) continue
      say(field === 'at' ? 'day' : field, message)
    }
    return line.success && bad.size === 0 ? line.data : z.NEVER
  })

/** A line as its form begins with it when it is mended: each number in the units that are shown. */
export function serviceTyped(
  line: ServiceLine,
  show: (value: number, dimension: Dimension) => string,
): Record<string, string> {
  return {
    day: dayField(new Date(line.at)),
    instrument: line.instrument ?? '',
    note: line.note ?? '',
    ...Object.fromEntries(
      SERVICE_FIELDS.flatMap(({ field, dimension }) =>
        line[field] === undefined ? [] : [[field, show(line[field], dimension)]],
      ),
    ),
  }
}

/** The patch that writes a line; an oil that ends the first fill is said to be in it from then on. */
export function servicePatch(sheet: Pick<Sheet, 'services' | 'oils' | 'fill'>, key: string, line: ServiceLine) {
  const value = JSON.parse(JSON.stringify(line)) as ServiceLine
  const written = sheet.services
    ? ({ op: 'add', path: `/services/${key}`, value } as const)
    : ({ op: 'add', path: '/services', value: { [key]: value } } as const)
  const runsOn = line.oil && sheet.oils?.firstFill && sheet.fill !== 'running'
  return runsOn ? [written, { op: 'add', path: '/fill', value: 'running' } as const] : [written]
}
