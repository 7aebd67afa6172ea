import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { rodDuty, rodFeed } from './feed'

it('rods of the demo six want 137 kPa at 4,200 rpm: ½ · 831 · (440 · 0.033)² + 50 kPa', () => {
  expect(rodFeed(DEMO_BUILDS.ottiline())).toMatchObject({
    speed: expect.closeTo(70, 6),
    pressure: expect.closeTo(137.5e3, -3),
  })
})
it('a half groove feeds a single drilling half of the turn, one drilled through all of it', () => {
  const sheet = DEMO_BUILDS.ottiline()
  expect(rodDuty(sheet)).toBeCloseTo(0.5, 3)
  sheet.choices['crank.drilling'] = 'through'
  expect(rodDuty(sheet)).toBeCloseTo(1, 3)
})
