import { describe, expect, it } from 'vitest'
import { distanceToPath, nearest } from './nearest'

const PATHS = [
  { id: 'a', d: 'M 0 0 L 0 100' },
  { id: 'b', d: 'M 20 0 L 20 50 L 60 50' },
]

describe('what a finger means in a crowded drawing', () => {
  it('is measured to the pieces of a path, not to their lines drawn on', () => {
    expect(distanceToPath('M 20 0 L 20 50 L 60 50', 40, 53)).toBeCloseTo(3, 9)
    expect(distanceToPath('M 20 0 L 20 50 L 60 50', 20, -4)).toBeCloseTo(4, 9)
    expect(distanceToPath('M 20 0 L 20 50 L 60 50', 63, 54)).toBeCloseTo(5, 9)
    expect(distanceToPath('M 7 7 L 7 7', 10, 11)).toBeCloseTo(5, 9)
    expect(distanceToPath('M -4.5 0 L -4.5 10', 0, 5)).toBeCloseTo(4.5, 9)
  })
  it('is the nearer of two that are both in reach, and none when none is', () => {
    expect(nearest(PATHS, 9, 40, 22)?.id).toBe('a')
    expect(nearest(PATHS, 11, 40, 22)?.id).toBe('b')
    expect(nearest(PATHS, 50, 71, 22)?.id).toBe('b')
    expect(nearest(PATHS, 50, 73, 22)).toBeUndefined()
    expect(nearest(PATHS, -23, 50, 22)).toBeUndefined()
  })
})
