import type { OilChoice } from '../record/fill'
import { oilFor } from '../record/fill'
import type { Sheet } from '../record/schema'
import type { ServiceLine } from '../record/service'
import { recorded, requireValue } from './values'

/** A line of the service log under its key. */
export interface LoggedLine extends ServiceLine {
  key: string
}

/** The gauge as it was read at hot idle, at the first start or later. */
export interface HotIdleRead {
  /** `start.idleHot.pressure`, or its line's key. */
  key: string
  /** ms since 1970. */
  at: number
  /** Pa. */
  pressure: number
  /** rev/s and °C; undefined where they were not read with it. */
  speed?: number
  temperature?: number
  /** The oil that was in it. */
  oil: OilChoice
  /** The machine's meters, s and m. */
  hours?: number
  distance?: number
  instrument?: string
  by?: string
}

/** Why a reading in the log says nothing of hot idle: taken elsewhere, or before the engine was first read at hot idle. */
export type NotHotIdle = 'elsewhere' | 'before-start'

/** So far from hot oil, K, and such a share from idle speed a reading still stands for hot idle. */
const NEAR = { temperature: 25, speed: 0.25 }

/** The service log in the order of its days. */
export const serviceLog = ({ services }: Pick<Sheet, 'services'>): LoggedLine[] =>
  Object.entries(services ?? {})
    .map(([key, line]) => ({ ...line, key }))
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || lineNumber(a.key) - lineNumber(b.key))

const lineNumber = (key: string) => Number(key.slice(key.indexOf('.') + 1))

/** The key that a new line gets. */
export const nextServiceKey = ({ services }: Pick<Sheet, 'services'>): string =>
  `service.${1 + Math.max(0, ...Object.keys(services ?? {}).map(lineNumber))}`

/** Every reading of hot idle in the order of its day, the first start's among them; and what was read that is none, with why. */
export function hotIdleReads(sheet: Sheet): { reads: HotIdleRead[]; left: { key: string; why: NotHotIdle }[] } {
  const first = recorded(sheet, 'start.idleHot.pressure')
  const started = Date.parse(first?.at ?? '')
  const reads: HotIdleRead[] = []
  const left: { key: string; why: NotHotIdle }[] = []
  if (first && Number.isFinite(started))
    reads.push({
      key: 'start.idleHot.pressure',
      at: started,
      pressure: first.value,
      speed: recorded(sheet, 'start.idleHot.speed')?.value,
      temperature: recorded(sheet, 'start.idleHot.temperature')?.value,
      oil: first.oil ?? sheet.oil,
      hours: requireValue(sheet, 'start.meterHours').value,
      distance: requireValue(sheet, 'start.meterDistance').value,
      instrument: first.instrument,
      by: first.by,
    })
  let oil: OilChoice = oilFor(sheet, 'start')
  for (const line of serviceLog(sheet)) {
    const { key, pressure, speed, temperature, hours, distance, instrument, by } = line
    const at = Date.parse(line.at)
    if (pressure !== undefined) {
      if (at < started) left.push({ key, why: 'before-start' })
      else if (!nearHotIdle(sheet, line)) left.push({ key, why: 'elsewhere' })
      else reads.push({ key, at, pressure, speed, temperature, oil, hours, distance, instrument, by })
    }
    if (line.oil) oil = line.oil
  }
  return { reads, left }
}

function nearHotIdle(sheet: Sheet, { speed, temperature }: Pick<ServiceLine, 'speed' | 'temperature'>): boolean {
  const idle = requireValue(sheet, 'brief.idleSpeed').value
  const hot = requireValue(sheet, 'brief.hotOil').value
  return Math.abs((speed ?? idle) / idle - 1) <= NEAR.speed && Math.abs((temperature ?? hot) - hot) <= NEAR.temperature
}
