import { expect, it } from 'vitest'
import { wholeSteps } from './chartLook'

it('an axis ends on a whole step above what is drawn, with no more ticks than asked for', () => {
  expect(wholeSteps(5.9)).toEqual({ step: 1, top: 6, ticks: 6 })
  expect(wholeSteps(6)).toEqual({ step: 1, top: 6, ticks: 6 })
  expect(wholeSteps(86)).toEqual({ step: 20, top: 100, ticks: 5 })
  expect(wholeSteps(0.13)).toEqual({ step: 0.02, top: 0.14, ticks: 7 })
  for (const most of [0.07, 0.9, 1.1, 3.3, 27.7, 460, 4200]) {
    const { step, top, ticks } = wholeSteps(most)
    expect(top).toBeGreaterThanOrEqual(most)
    expect(top - step).toBeLessThan(most)
    expect(ticks).toBeLessThanOrEqual(7)
  }
})
