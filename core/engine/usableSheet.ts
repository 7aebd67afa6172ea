import { ANY_PARTS } from '../parts/list'
import type { Void } from '../parts/part'
import type { Problem, Sheet } from '../record/schema'
import { catalogueOf } from './catalogue'
import { checkSheet } from './checkSheet'

export type { Void }

/** What voids a sheet's prediction, and what in it nothing can be made of but which moves nothing either. */
export interface Usable {
  /** The sheet without the readings that cannot be used: what a model can be made from. */
  sheet: Sheet
  voids: Void[]
  /** Recorded and not used: a key that this layout has no place for. */
  unused: Problem[]
}

const FALLBACK_GRADE = '10W-40'

const judged = new WeakMap<Sheet, Usable>()

/**
 * Parts a sheet into what a model can be made from and what voids its prediction: a value that no engine can have (kept from before the
 * door was as narrow), two values that cannot stand beside each other, and a fault recorded where the circuit has no law for it. A fault that the circuit
 * can compute, such as a plug left out, is not among them.
 */
export function usableSheet(sheet: Sheet): Usable {
  const before = judged.get(sheet)
  if (before) return before
  const { quantities } = catalogueOf(sheet.layout)
  const labelled = ({ path, message }: Problem): Void => {
    const quantity = quantities.get(path.split('/')[1])
    return {
      path,
      message,
      about: (quantity?.label ?? path.replace('/', ' ')).toLowerCase(),
      station: quantity?.station,
    }
  }
  const refused = checkSheet(sheet)
  const ofValues = refused.filter(
    ({ path }) => (path.startsWith('readings/') && quantities.has(path.split('/')[1])) || OIL_PATHS.includes(path),
  )
  const readings = withoutKeys(sheet.readings, ofValues)
  const first: Sheet = {
    ...sheet,
    readings,
    oil: ofValues.some(({ path }) => path === 'oil/grade') ? { ...sheet.oil, grade: FALLBACK_GRADE } : sheet.oil,
    ...(ofValues.some(({ path }) => path.startsWith('oils/')) ? { oils: undefined } : {}),
  }
  const beside = contradictions(first)
  const usable: Sheet =
    beside.length + ofValues.length === 0 ? sheet : { ...first, readings: withoutKeys(readings, beside) }
  const found: Usable = {
    sheet: usable,
    voids: [...[...ofValues, ...beside].map(labelled), ...faultVoids(usable)],
    unused: refused.filter((each) => !ofValues.includes(each)),
  }
  judged.set(sheet, found)
  // What was left out stays said when the usable sheet is asked again.
  if (usable !== sheet) judged.set(usable, found)
  return found
}

/** Where a grade stands that the model computes with. */
const OIL_PATHS = ['oil/grade', 'oils/prime/grade', 'oils/firstFill/grade']

function withoutKeys(readings: Sheet['readings'], problems: Problem[]): Sheet['readings'] {
  const gone = new Set(problems.map(({ path }) => path.split('/')[1]))
  return Object.fromEntries(Object.entries(readings).filter(([key]) => !gone.has(key)))
}

/** Pairs of recorded values that no engine has together, and faults on record that no law of the circuit describes, by part. */
const fittedParts = ({ layout }: Sheet) => ANY_PARTS.filter(({ fitted }) => fitted(layout))
const contradictions = (sheet: Sheet): Problem[] =>
  fittedParts(sheet).flatMap((part) => part.contradictions?.(sheet) ?? [])
const faultVoids = (sheet: Sheet): Void[] => fittedParts(sheet).flatMap((part) => part.voids?.(sheet) ?? [])
