import type { HotIdleRead, NotHotIdle } from '../engine/serviceLog'
import { recorded, requireValue } from '../engine/values'
import type { Sheet } from '../record/schema'
import { measuredAt } from './lessons'

/** What an engine's age is counted by. */
export type Meter = 'hours' | 'distance' | 'time'

/** Why a reading is not counted: it is none of hot idle, its age is not known, the engine is not the one that it was, or it says too little. */
export type LeftOfTrend = NotHotIdle | 'no-meter' | 'meter-back' | 'measured-since' | 'faint'

/** How fast a meter goes: s or m in a second; by the log, as it is planned, or assumed where nobody planned it. */
export interface Pace {
  value: number
  assumed: boolean
}

/** Under this a gauge says little as a share of itself, Pa. */
export const FAINT = 20e3
const WEEK = 7 * 86400
/** A log shorter than this tells no pace, s. */
const SHORT = 2 * WEEK

/** The meter that most readings have; time where none has one. */
export function meterOf(reads: readonly HotIdleRead[]): Meter {
  const later = reads.filter(({ key }) => key !== 'start.idleHot.pressure')
  const [hours, distance] = (['hours', 'distance'] as const).map(
    (meter) => later.filter((read) => read[meter] !== undefined).length,
  )
  return hours === 0 && distance === 0 ? 'time' : hours! >= distance! ? 'hours' : 'distance'
}

/** Readings with their age; those of which it is not known, and those of an engine that was measured anew since, are named. */
export function agesOf(sheet: Sheet, reads: readonly HotIdleRead[], by: Meter) {
  const kept: { read: HotIdleRead; run: number }[] = []
  const left: { key: string; why: LeftOfTrend }[] = []
  const measured = measuredAt(sheet)
  const zero =
    by === 'time'
      ? reads[0]!.at / 1e3
      : requireValue(sheet, `start.${by === 'hours' ? 'meterHours' : 'meterDistance'}`).value
  let before = 0
  for (const read of reads) {
    const shown = by === 'time' ? read.at / 1e3 : read[by]
    const run = shown === undefined ? undefined : shown - zero
    if (read.at < measured) left.push({ key: read.key, why: 'measured-since' })
    else if (run === undefined) left.push({ key: read.key, why: 'no-meter' })
    else if (run < before) left.push({ key: read.key, why: 'meter-back' })
    else if (read.pressure < FAINT) left.push({ key: read.key, why: 'faint' })
    else {
      kept.push({ read, run })
      before = run
    }
  }
  return { kept, left }
}

/** How fast its meter goes: by the log where that is long enough, else as it is planned. */
export function paceOf(sheet: Sheet, points: readonly { at: number; run: number }[], by: Meter): Pace {
  if (by === 'time') return { value: 1, assumed: false }
  const [first, last] = [points[0], points.at(-1)]
  const seconds = first && last ? (last.at - first.at) / 1e3 : 0
  const run = first && last ? last.run - first.run : 0
  if (seconds >= SHORT && run > 0) return { value: run / seconds, assumed: false }
  const key = by === 'hours' ? 'start.hoursPerWeek' : 'start.distancePerWeek'
  return { value: requireValue(sheet, key).value / WEEK, assumed: recorded(sheet, key) === undefined }
}
