import { oilGrade } from '../oil/grades'
import type { Dimension } from '../quantity/units'
import { bearingCount } from '../parts/clearances'
import { checksOf } from './checks'
import { choicesOf } from './choices'
import { inspectionsOf } from './inspections'
import type { Quantity } from './quantities'
import { OLD_SHELLS } from '../bearing/shell'
import type { Layout, Problem, Sheet } from '../record/schema'
import { catalogueOf } from './values'
import { NOT_LOOKED_AT } from '../record/words'

/** What a number may be at all, SI, by its dimension: wider than anything an engine has, but such that one can be computed. */
const BOUNDS: Record<Dimension, [number, number]> = {
  length: [1e-5, 10],
  diameter: [1e-4, 10],
  clearance: [1e-7, 0.01],
  pressure: [0, 1e8],
  temperature: [-60, 200],
  speed: [0, 1000],
  springRate: [1, 1e7],
  displacement: [1e-9, 1e-2],
  ratio: [0.01, 100],
  mass: [1e-4, 1e3],
  duration: [0, 1e7],
  torque: [0, 1e5],
  force: [0.01, 1e5],
  volume: [1e-6, 10],
  count: [0.1, 1e4],
  angle: [0, 1.57],
  flow: [0, 10],
  power: [0, 1e6],
  span: [0, 1e9],
  distance: [0, 1e10],
}

/** Bounds of a quantity, SI: zero and below only where its plausible range has them. */
export function boundsOf({ dimension, plausible }: Pick<Quantity, 'dimension' | 'plausible'>): [number, number] {
  const [least, most] = BOUNDS[dimension]
  if (dimension === 'temperature') return [least, most]
  if (plausible[0] > 0) return [Math.max(least, 1e-3 * plausible[0]), most]
  return [plausible[0] < 0 ? -most : Math.min(0, least), most]
}

/** Why a value cannot be that quantity at all; undefined when it can. What is only unlikely is asked about when it is typed (`plausible.ts`). */
export function impossible(quantity: Pick<Quantity, 'dimension' | 'plausible'>, value: number): string | undefined {
  const [least, most] = boundsOf(quantity)
  if (!Number.isFinite(value)) return 'must be a number'
  if (value < least)
    return least > 0 && value <= 0
      ? 'must be greater than zero'
      : least === 0
        ? 'must not be less than zero'
        : `is too small to compute with; at least ${least} in SI`
  return value > most ? `is too large to compute with; at most ${most} in SI` : undefined
}

/**
 * The one door: what can never be part of a record of this layout, by path. The server asks it before a change is entered, the headless
 * command before a file is taken, the model before it computes, so that all three say the same. What is impossible only beside another
 * reading is let in and voids the prediction (`voids.ts`).
 */
export function checkSheet(sheet: Sheet): Problem[] {
  const { layout } = sheet
  const problems: Problem[] = []
  const refuse = (path: string, message: string) => problems.push({ path, message })
  const quantities = catalogueOf(layout)
  for (const [key, { value, repeats, uncertainty }] of Object.entries(sheet.readings)) {
    const quantity = quantities.get(key)
    if (!quantity) {
      refuse(`readings/${key}`, 'is not a reading of this layout')
      continue
    }
    const reason = [value, ...(repeats ?? [])]
      .map((each) => impossible(quantity, each))
      .find((each) => each !== undefined)
    if (reason) refuse(`readings/${key}`, reason)
    else if (uncertainty !== undefined && uncertainty > BOUNDS[quantity.dimension][1])
      refuse(`readings/${key}/uncertainty`, 'is larger than anything that could be read')
  }
  const { checks, inspections, choices } = keysOf(layout)
  for (const key of Object.keys(sheet.checks))
    if (!checks.has(key) && !key.startsWith('caution.')) refuse(`checks/${key}`, 'is not a check of this layout')
  for (const [key, { finding }] of Object.entries(sheet.inspections)) {
    const findings = inspections.get(key)
    if (!findings) refuse(`inspections/${key}`, 'is not looked at in this layout')
    else if (!findings.includes(finding))
      refuse(`inspections/${key}/finding`, `“${finding}” is none of ${findings.join(', ')}`)
  }
  for (const key of Object.keys(sheet.choices))
    if (!choices.has(key)) refuse(`choices/${key}`, 'is not chosen in this layout')
  for (const [key, { wall }] of Object.entries(sheet.shells)) {
    const [set, number] = key.split('.')
    if ((set !== 'main' && set !== 'rod') || !(Number(number) >= 1 && Number(number) <= bearingCount(sheet, set)))
      refuse(`shells/${key}`, 'is not a bearing of this layout')
    else if (Math.abs(wall) > 2e-3) refuse(`shells/${key}/wall`, 'is too large to compute with; at most 0.002 in SI')
  }
  for (const key of Object.keys(sheet.benches ?? {}))
    if (!/^relief\.\d+$/.test(key) && !(layout.galleryRelief && /^relief2\.\d+$/.test(key)))
      refuse(`benches/${key}`, 'is not a valve of this layout')
  if (!sheet.oil.figures && !oilGrade(sheet.oil.grade))
    refuse('oil/grade', `“${sheet.oil.grade}” is not a grade this version knows`)
  return problems
}

/** Problems that a change brings in or leaves where it writes: what an older record holds elsewhere never stands in the way of a change that does not touch it. */
export function problemsOfChange(before: Sheet, after: Sheet, paths: string[]): Problem[] {
  const known = new Set(checkSheet(before).map(({ path, message }) => `${path} ${message}`))
  return checkSheet(after).filter(
    ({ path, message }) =>
      !known.has(`${path} ${message}`) ||
      paths.some((written) => `/${path}`.startsWith(written) || written.startsWith(`/${path}`)),
  )
}

interface Keys {
  checks: Set<string>
  inspections: Map<string, string[]>
  choices: Set<string>
}

const known = new WeakMap<Layout, Keys>()

/** Keys of a layout beside its readings, and the words that each inspection can be answered by. */
function keysOf(layout: Layout): Keys {
  let keys = known.get(layout)
  if (!keys) {
    const inspections = new Map(
      inspectionsOf(layout).map(({ key, findings }) => [
        key,
        [...findings.map(({ value }) => value), NOT_LOOKED_AT, 'open'],
      ]),
    )
    for (let i = 1; i <= layout.mains; i++) inspections.set(`main.${i}.oldShell`, [...OLD_SHELLS, NOT_LOOKED_AT])
    for (let i = 1; i <= layout.feed.length; i++) inspections.set(`rod.${i}.oldShell`, [...OLD_SHELLS, NOT_LOOKED_AT])
    keys = { checks: new Set(checksOf(layout).map(({ key }) => key)), inspections, choices: new Set(choicesOf(layout)) }
    known.set(layout, keys)
  }
  return keys
}
