import type { Sheet } from './schema'

/** An oil as a sheet names it. */
export type OilChoice = Sheet['oil']

/** What an engine is filled with for: to be primed, to be started with what is in it now, to run on. */
export type Purpose = 'prime' | 'start' | 'running'

/** Whether the first fill or the running oil is in the engine: the first fill until somebody says otherwise, where there is one. */
export const fillOf = ({ fill, oils }: Pick<Sheet, 'fill' | 'oils'>): 'firstFill' | 'running' =>
  oils?.firstFill ? (fill ?? 'firstFill') : 'running'

/** The oil that a sheet has for a purpose; an engine is primed on its first fill where no other oil is named, and on the running oil where there is none. */
export function oilFor(sheet: Sheet, purpose: Purpose): OilChoice {
  const { oil, oils } = sheet
  if (purpose === 'prime') return oils?.prime ?? oils?.firstFill ?? oil
  if (purpose === 'start' && fillOf(sheet) === 'firstFill') return oils!.firstFill!
  return oil
}

/** A sheet with one oil for every purpose: what a run was made with stays its own, whatever is filled in later. */
export function filledWith(sheet: Sheet, oil: OilChoice | undefined): Sheet {
  if (!oil || (oil === sheet.oil && !sheet.oils)) return sheet
  const filled: Sheet = { ...sheet, oil }
  delete filled.oils
  delete filled.fill
  return filled
}

/** A sheet with the oil of a purpose alone. */
export const filledFor = (sheet: Sheet, purpose: Purpose): Sheet => filledWith(sheet, oilFor(sheet, purpose))
