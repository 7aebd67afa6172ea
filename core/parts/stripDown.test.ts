import { expect, it } from 'vitest'
import { checksOf } from '../engine/catalogue'
import { newSheet } from '../record/layouts'
import { progressOf } from '../progress/progress'

it('metal in the sump is watched until everything that carries oil is cleaned after it', () => {
  const sheet = newSheet('inline6', 'a', 'b')
  const about = () => progressOf(sheet).find(({ station }) => station === 'bearings')!.about ?? ''
  const find = (finding: string) => (sheet.inspections['strip.metal'] = { finding, by: 'Maren', at: '' })
  expect(about()).not.toMatch(/metal was/)
  find('none')
  expect(about()).not.toMatch(/metal was/)
  find('flakes')
  const keys = checksOf(sheet.layout)
    .map(({ key }) => key)
    .filter((key) => key.startsWith('strip.'))
  expect(keys.slice(0, 2)).toEqual(['strip.galleries', 'strip.crank'])
  expect(about()).toMatch(/metal was found: galleries, crank drillings.* not cleaned yet/)
  for (const key of keys) sheet.checks[key] = { state: 'done', by: 'Maren', at: '' }
  expect(about()).not.toMatch(/metal was/)
  sheet.checks['strip.crank'] = { state: 'fault', by: 'Maren', at: '' }
  expect(about()).toMatch(/^fault: crank drillings/)
})
it('a cooler and lines are asked for where there are any', () => {
  const cleaned = (more: object) =>
    checksOf({ ...newSheet('inline6', 'a', 'b').layout, cooler: false, turbo: false, oilLine: 'none', ...more })
      .map(({ key }) => key)
      .filter((key) => key.startsWith('strip.'))
  expect(cleaned({})).toEqual(['strip.galleries', 'strip.crank'])
  expect(cleaned({ cooler: true })).toEqual(['strip.galleries', 'strip.crank', 'strip.cooler', 'strip.lines'])
  expect(cleaned({ turbo: true })).toEqual(['strip.galleries', 'strip.crank', 'strip.lines'])
})
