import { expect, it } from 'vitest'
import { newSheet } from '../record/layouts'
import { progressOf } from '../progress/progress'
import { checkSheet } from '../engine/checkSheet'
import { liftersOf, rowOutcome, rowWords } from './lifterLook'

const seen = (preset: string, findings: Record<number, string>, rest?: string) => {
  const sheet = newSheet(preset, 'a', 'b')
  const [row] = liftersOf(sheet.layout)
  row.keys.forEach((key, i) => {
    const finding = findings[i + 1] ?? rest
    if (finding) sheet.inspections[key] = { finding, by: 'Maren' }
  })
  return { sheet, row }
}
it('each lifter of a V8 and each adjuster of an overhead-cam four has a place of its own; solid lifters have none', () => {
  expect(seen('v8', {}).row).toMatchObject({ check: 'prime.lifters', label: 'Lifter' })
  expect(seen('v8', {}).row.keys).toHaveLength(16)
  expect(liftersOf(newSheet('inline4dohc', 'a', 'b').layout).map(({ check }) => check)).toEqual(['prime.adjusters'])
  expect(liftersOf({ ...newSheet('v8', 'a', 'b').layout, lifters: 'solid' })).toEqual([])
})
it('a row is in order once each shows oil, at fault by its worst, and neither before', () => {
  const outcome = ({ sheet, row }: ReturnType<typeof seen>) => rowOutcome(sheet, row.keys)
  expect(outcome(seen('v8', { 1: 'oil' }))).toBeUndefined()
  expect(outcome(seen('v8', {}, 'oil'))).toEqual({ state: 'done', verdict: 'pass' })
  expect(outcome(seen('v8', { 4: 'dry' }))).toEqual({ state: 'fault', verdict: 'watch' })
  expect(outcome(seen('v8', { 4: 'dry', 9: 'fountain' }, 'oil'))).toEqual({ state: 'fault', verdict: 'stop' })
})
it('says which, and the station is stopped by a fountain', () => {
  const { sheet, row } = seen('v8', { 3: 'fountain', 7: 'fountain', 12: 'down' }, 'oil')
  expect(rowWords(sheet, row.keys)).toBe('fountain at 3, 7; plunger not up at 12')
  expect(progressOf(sheet).find(({ station }) => station === 'prime')).toMatchObject({
    verdict: 'stop',
    about: 'lifters: fountain at 3, 7; plunger not up at 12',
  })
  expect(checkSheet(sheet).filter(({ path }) => path.startsWith('inspections'))).toEqual([])
  sheet.inspections[row.keys[0]] = { finding: 'rattles', by: 'Maren' }
  expect(checkSheet(sheet).map(({ path }) => path)).toContain(`inspections/${row.keys[0]}/finding`)
})
