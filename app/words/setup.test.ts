import { expect, it } from 'vitest'
import type { Setup } from '#core/finder/types'
import { explain } from './setup'

const AS_IT_STANDS = { probability: 0.4249, power: 212.4, sampled: true, changes: 0 } as Setup

it('a set-up says what is changed, its chance and what its pump takes; what is about is said to be', () => {
  expect(explain(AS_IT_STANDS)).toBe('As it stands: 42 in 100 that all four states meet their targets.')
  expect(
    explain({ ...AS_IT_STANDS, spring: 'Spring B, green', stack: 'no shims', oil: '15W-40', sampled: false }),
  ).toBe(
    'Spring B, green, no shims, oil 15W-40: about 42 in 100 that all four states meet their targets, about 212 W at working speed.',
  )
})
