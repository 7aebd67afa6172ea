import { oilGrade } from '../oil/grades'
import { bearingCount } from '../parts/clearances'
import { BOUNDS, impossible, impossibleInSI } from '../record/bounds'
import type { Problem, Sheet } from '../record/schema'
import { catalogueOf } from './catalogue'

/**
 * The one door: what can never be part of a record of this layout, by path. The server asks it before a change is entered, the headless
 * command before a file is taken, the model before it computes, so that all three say the same. What is impossible only beside another
 * reading is let in and voids the prediction (`usableSheet.ts`).
 */
export function checkSheet(sheet: Sheet): Problem[] {
  const { layout } = sheet
  const problems: Problem[] = []
  const refuse = (path: string, message: string) => problems.push({ path, message })
  const { quantities, checks, words, choices } = catalogueOf(layout)
  const known = new Set(checks.map(({ key }) => key))
  for (const [key, { value, repeats, uncertainty }] of Object.entries(sheet.readings)) {
    const quantity = quantities.get(key)
    if (!quantity) {
      refuse(`readings/${key}`, 'is not a reading of this layout')
      continue
    }
    const reason = [value, ...(repeats ?? [])]
      .map((each) => impossible(quantity, each))
      .find((each) => each !== undefined)
    if (reason) refuse(`readings/${key}`, impossibleInSI(reason))
    else if (uncertainty !== undefined && uncertainty > BOUNDS[quantity.dimension][1])
      refuse(`readings/${key}/uncertainty`, 'is larger than anything that could be read')
  }
  for (const key of Object.keys(sheet.checks))
    if (!known.has(key) && !isCaution(key)) refuse(`checks/${key}`, 'is not a check of this layout')
  for (const [key, { finding }] of Object.entries(sheet.inspections)) {
    const findings = words.get(key)
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
  for (const key of Object.keys(sheet.benches ?? {})) {
    const [valve, number] = key.split('.')
    const fitted = valve === 'relief' || (valve === 'relief2' && layout.galleryRelief)
    if (!fitted || !Number.isInteger(Number(number))) refuse(`benches/${key}`, 'is not a valve of this layout')
  }
  for (const key of Object.keys(sheet.services ?? {}))
    if (!/^service\.\d{1,6}$/.test(key)) refuse(`services/${key}`, 'must be numbered like service.3')
  for (const [path, oil] of [
    ['oil', sheet.oil],
    ['oils/prime', sheet.oils?.prime],
    ['oils/firstFill', sheet.oils?.firstFill],
    ...Object.entries(sheet.readings).map(([key, reading]) => [`readings/${key}/oil`, reading.oil] as const),
    ...Object.entries(sheet.services ?? {}).map(([key, line]) => [`services/${key}/oil`, line.oil] as const),
  ] as const)
    if (oil && !oil.figures && !oilGrade(oil.grade))
      refuse(`${path}/grade`, `“${oil.grade}” is not a grade this version knows`)
  return problems
}

/** Problems that a change brings in or leaves where it writes: what an older record holds elsewhere never stands in the way of a change that does not touch it. */
export function problemsOfChange(before: Sheet, after: Sheet, paths: string[]): Problem[] {
  const found = checkSheet(after)
  if (found.length === 0) return found
  const known = new Set(checkSheet(before).map(({ path, message }) => `${path} ${message}`))
  return found.filter(
    ({ path, message }) =>
      !known.has(`${path} ${message}`) ||
      paths.some((written) => `/${path}`.startsWith(written) || written.startsWith(`/${path}`)),
  )
}

/** A caution that was read and acknowledged stands among the checks, of whatever layout. */
export const isCaution = (key: string): boolean => key.startsWith('caution.')
