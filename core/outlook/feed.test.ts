import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { rodDuty } from '../parts/feedDuty'
import { rodFeed } from './feed'

it('rods of the demo six want 137 kPa at 4,200 rpm: ½ · 831 · (440 · 0.033)² + 50 kPa', () => {
  expect(rodFeed(DEMO_BUILDS.ottiline())).toMatchObject({
    speed: expect.closeTo(70, 6),
    pressure: expect.closeTo(137.5e3, -3),
  })
})
it('a half groove feeds a single drilling half of the turn, one drilled through all of it', () => {
  const sheet = DEMO_BUILDS.ottiline()
  expect(rodDuty(sheet, 1)).toBeCloseTo(0.5, 3)
  sheet.choices['crank.drilling'] = 'through'
  expect(rodDuty(sheet, 1)).toBeCloseTo(1, 3)
})
it('each rod is fed by the shells of its own main: 120 of 360 degrees, a lower groove beside, or no more than the hole', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const put = (field: string, value: number) =>
    (sheet.readings[`main.${sheet.layout.feed[2]}.${field}`] = { value, source: 'measured' })
  put('grooveUpper', (120 * Math.PI) / 180)
  expect(rodDuty(sheet, 3)).toBeCloseTo(1 / 3, 3)
  expect(rodDuty(sheet, 1)).toBeCloseTo(0.5, 3)
  put('grooveLower', (60 * Math.PI) / 180)
  expect(rodDuty(sheet, 3)).toBeCloseTo(0.5, 3)
  put('grooveUpper', 0)
  put('grooveLower', 0)
  put('shellHole', 6e-3)
  // 12 mm of the circle of 66 mm: a mouth meets the hole over twice its width, at its rim and theirs.
  expect(rodDuty(sheet, 3)).toBeCloseTo(12 / (Math.PI * 66), 2)
})
