import { expect, it } from 'vitest'
import { stretch } from './words'

it('a stretch of time by what its length can bear', () => {
  const hour = 3600e3
  expect([0, 20 * 60e3, 1.49 * hour, 1.5 * hour, 47 * hour, 48 * hour, 100 * hour].map(stretch)).toEqual([
    '0 min',
    '20 min',
    '89 min',
    '2 h',
    '47 h',
    '2 days',
    '4 days',
  ])
})
