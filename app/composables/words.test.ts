import { expect, it } from 'vitest'
import { many, stretch } from './words'

it('one is one, none and more are many', () => {
  expect([0, 1, 2, 36_000].map((count) => many(count, 'reading'))).toEqual([
    '0 readings',
    '1 reading',
    '2 readings',
    '36,000 readings',
  ])
  expect([1, 2].map((count) => many(count, 'engine', 'engines on stands'))).toEqual(['1 engine', '2 engines on stands'])
})

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
