import type { Sheet } from './schema'
import { ageOil, blendOils, diluteOil, type OilFigures } from '../oil/blend'
import { oilGrade } from '../oil/grades'
import { type Oil, oilFrom } from '../oil/oil'

/**
 * Figures of a sheet's oil: its data sheet's own where they were typed, else the grade's; mixed with a second grade, with fuel
 * in it, or aged, where the sheet says so.
 *
 * @throws RangeError naming the field when a grade is not known
 */
export function oilFiguresOf({ oil }: Pick<Sheet, 'oil'>): OilFigures {
  let figures: OilFigures = oil.figures ?? requireGrade('oil/grade', oil.grade)
  if (oil.blend) figures = blendOils(figures, requireGrade('oil/blend/grade', oil.blend.grade), oil.blend.share)
  if (oil.dilution) figures = diluteOil(figures, oil.dilution)
  if (oil.ageing !== undefined) figures = ageOil(figures, oil.ageing)
  return figures
}

export function oilOf(sheet: Pick<Sheet, 'oil'>): Oil {
  return oilFrom(oilFiguresOf(sheet))
}

function requireGrade(path: string, name: string): OilFigures {
  const grade = oilGrade(name)
  if (!grade) throw new RangeError(`${path}: “${name}” is not a grade this version knows`)
  return grade
}
