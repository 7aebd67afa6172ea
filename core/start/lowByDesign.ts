import { aroundOf, mainShells } from '../parts/mainGrooves'
import type { Sheet } from '../record/schema'
import type { Target } from '../targets/targets'

/** What in a layout makes a low hot idle a design and no fault. */
export type DesignReason = 'aluminium-housing' | 'few-bearings' | 'full-grooves'

/** Grooves all round, but for what a parting line leaves, rad. */
const FULL = 1.9 * Math.PI

export interface LowByDesign {
  target: Target
  /** What ten psi for each thousand rpm would ask for, Pa. */
  rule: number
  reasons: DesignReason[]
}

/**
 * Whether a hot idle may be low and right: this build's own target asks for less than `rule` does. Undefined where it does not.
 *
 * @param rule pressure that ten psi for each thousand rpm asks for at idle, Pa
 */
export function lowByDesign(sheet: Sheet, target: Target, rule: number): LowByDesign | undefined {
  if (target.least >= rule) return undefined
  const { layout } = sheet
  const reasons: DesignReason[] = []
  if (layout.housing === 'aluminium') reasons.push('aluminium-housing')
  if (layout.kind === 'opposed' || layout.kind === 'single') reasons.push('few-bearings')
  if (mainShells(sheet).every((shells) => aroundOf(shells) >= FULL)) reasons.push('full-grooves')
  return { target, rule, reasons }
}
