import { catalogueOf } from '../engine/catalogue'
import { oilName, sharedWith } from '../engine/experience'
import { recorded } from '../engine/values'
import { GAUGE_ERROR } from '../outlook/measured'
import { varianceShares } from '../outlook/band'
import { gaugePressure, type Model, modelOf } from '../outlook/model'
import { momentAt, namedStates } from '../outlook/states'
import { usableSheet } from '../engine/usableSheet'
import { computedFaults } from '../outlook/computedFaults'
import type { SharedWith } from '../parts/input'
import { filledWith } from '../record/fill'
import type { Station } from '../record/quantity'
import type { Sheet } from '../record/schema'
import { openCase } from '../trace/cases'

/** States at which a gauge is read as a point. */
export const READ_STATES = ['idleCold', 'idleHot', 'workingHot'] as const
export type ReadState = (typeof READ_STATES)[number]

/** A gauge that was read, beside what its engine's record alone had predicted of it. */
export interface LessonReading {
  state: ReadState
  /** Pa. */
  read: number
  predicted: number
  /** Standard deviation of the prediction's logarithm by its record, and of the reading's by its gauge. */
  sigma: number
  noise: number
  /** Change of the prediction's logarithm for one standard uncertainty of each input, by key; what moves it by less than a thousandth is left out. */
  slopes: Record<string, number>
}

/** What an engine that has run says of the model: nothing that an engine with an unmended fault says is a lesson. */
export interface Lesson {
  /** Kind of engine, and the oil it was read with. */
  kind: string
  oil: string
  /** When its gauge was last read, ISO 8601; empty where nobody wrote it down. */
  at: string
  readings: LessonReading[]
  /** With whom each input is shared; what is left out is its own. */
  shared: Record<string, SharedWith>
}

/** Engines of one kind: of the same make and model, as their sheets name it. */
export const kindOf = ({ engine }: Pick<Sheet, 'engine'>): string => engine.trim().toLowerCase().replace(/\s+/g, ' ')

export function sharedInputs({ inputs }: Pick<Model, 'inputs'>): Record<string, SharedWith> {
  return Object.fromEntries(
    inputs.flatMap((input) => {
      const shared = input.sigma > 0 ? sharedWith(input) : undefined
      return shared ? [[input.key, shared]] : []
    }),
  )
}

/** A gauge may be out by so much at most, as likely by any part of it: a standard deviation of that over √3. */
const GAUGE_SIGMA = GAUGE_ERROR / Math.sqrt(3)
/** What straight lines through the model miss, as a share. */
const STRAIGHT = 0.01
/** Under this a gauge says little as a share of itself, Pa. */
const LEAST = 20e3
const FAINT = 1e-3

/** Why a gauge that was read teaches nothing: its record is void, has a fault, is being traced, or was measured anew after the gauge was read. */
export type NoLesson = 'void' | 'fault' | 'traced' | 'measured-since'

export function noLesson(sheet: Sheet): NoLesson | undefined {
  if (usableSheet(sheet).voids.length > 0) return 'void'
  // A bearing out of its limit is what it was measured to be; a fault that was found may have been mended since.
  if (computedFaults(sheet).some(({ path }) => !path.startsWith('readings/'))) return 'fault'
  if (openCase(sheet)) return 'traced'
  return measuredAt(sheet) > Date.parse(readAt(sheet)) ? 'measured-since' : undefined
}

/** When its gauge was last read, ISO 8601; empty where nobody wrote it down. */
const readAt = (sheet: Sheet): string =>
  READ_STATES.map((state) => recorded(sheet, `start.${state}.pressure`)?.at ?? '')
    .sort()
    .at(-1)!

const BUILT = new Set<Station>(['bearings', 'pump', 'relief', 'pickup', 'passages'])

/** When the engine itself was last measured, ms; before everything where nobody wrote it down. */
export function measuredAt({ layout, readings }: Sheet): number {
  const { quantities } = catalogueOf(layout)
  return Object.entries(readings).reduce((last, [key, { source, at }]) => {
    const quantity = quantities.get(key)
    return source === 'measured' && at && quantity && BUILT.has(quantity.station)
      ? Math.max(last, Date.parse(at))
      : last
  }, -Infinity)
}

/** What a sheet's readings of its gauge teach; undefined where it was not read, or there is a reason against it. */
export function lessonOf(sheet: Sheet): Lesson | undefined {
  if (noLesson(sheet)) return undefined
  const alone: Sheet = { ...sheet, experience: undefined }
  const oil = READ_STATES.map((state) => recorded(sheet, `start.${state}.pressure`)?.oil).find((each) => each)
  const model = modelOf(filledWith(alone, oil ?? sheet.oil))
  const readings = READ_STATES.flatMap((state): LessonReading[] => {
    const point = recorded(sheet, `start.${state}.pressure`)
    // One engine teaches with one oil: points taken with another are not among them.
    if (!point || point.value < LEAST || oilName({ oil: point.oil ?? sheet.oil }) !== oilName(model.sheet)) return []
    const usual = namedStates(model.sheet).find(({ name }) => name === state)!
    const at = (field: 'speed' | 'temperature') => recorded(sheet, `start.${state}.${field}`)?.value ?? usual[field]
    const moment = momentAt(model.sheet, at('speed'), at('temperature'))
    const predicted = gaugePressure(model, moment)
    if (predicted < LEAST) return []
    const slopes = Object.fromEntries(
      varianceShares(model, moment)
        .map(({ key, effect }) => [key, effect / predicted] as const)
        .filter(([, slope]) => Math.abs(slope) > FAINT),
    )
    return [
      {
        state,
        read: point.value,
        predicted,
        sigma: Math.hypot(...Object.values(slopes)),
        noise: Math.hypot(GAUGE_SIGMA / point.value, STRAIGHT),
        slopes,
      },
    ]
  })
  if (readings.length === 0) return undefined
  return { kind: kindOf(sheet), oil: oilName(model.sheet), at: readAt(sheet), readings, shared: sharedInputs(model) }
}
