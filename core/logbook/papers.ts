import { recorded } from '../engine/values'
import { type Outlook, outlookOf } from '../outlook/outlook'
import { FULL_SAMPLES } from '../outlook/solved'
import { type PrimeExpectation, primeExpectation } from '../prime/prime'
import { type PrimeSetUp, primeSetUpOf } from '../prime/setUp'
import { portLeftOf } from '../start/handOver'
import type { Sheet } from '../record/schema'
import { POINT_NAMES, type PointName } from '../start/points'
import { judgePoint, pointMoment, type PointVerdict } from '../start/verdict'
import { type CardReading, cardReadings } from './gaugeCard'

/** A steady point of the start as it stands on record, judged at the speed and temperature at which it was read. */
export interface ReportedPoint extends PointVerdict {
  name: PointName
  speed: number
  temperature: number
}

/** What the papers that leave the shop say of an engine, worked out together. */
export interface PaperAnswers {
  outlook: Outlook
  card: CardReading[]
  points: ReportedPoint[]
  /** What a prime should show where the engine is started next, and the least to accept. */
  prime: PrimeExpectation
}

/** Answers for build sheet, report of a start and owner's gauge card. */
export function paperAnswers(sheet: Sheet): PaperAnswers {
  const outlook = outlookOf(sheet, FULL_SAMPLES)
  return {
    outlook,
    card: cardReadings(sheet, outlook),
    points: POINT_NAMES.flatMap((name): ReportedPoint[] => {
      const reading = recorded(sheet, `start.${name}.pressure`)?.value
      if (reading === undefined) return []
      const { speed, temperature } = pointMoment(sheet, name)
      return [{ name, speed, temperature, ...judgePoint(sheet, name, reading, speed, temperature) }]
    }),
    prime: primeExpectation(sheet, primeAgain(sheet)),
  }
}

/** How an engine is primed again once it stands in its place: through the port that was left for it, else by its starter. */
export function primeAgain(sheet: Sheet): PrimeSetUp {
  const port = portLeftOf(sheet)
  return primeSetUpOf(sheet, port === undefined ? { method: 'starter' } : { method: 'tank', port })
}
