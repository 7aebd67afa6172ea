import { describe, expect, it } from 'vitest'
import { finiteMobility } from './finiteWidth'
import { mobilityOnGrid, shortMobility } from './mobility'

const blank = () => ({ along: 0, across: 0 })

describe('mobility', () => {
  it('of the grid is the short bearing’s where the bearing is very short and the journal near its middle', () => {
    const solve = mobilityOnGrid(0.05, { around: 240, across: 8 })
    for (const direction of [0.3, 1.5, 2.8]) {
      const { angle, along, across } = solve(0.02, direction)
      const short = shortMobility(0.02 * Math.cos(angle), 0.02 * Math.sin(angle), 0.05)
      expect(along / short.along).toBeCloseTo(1, 2)
      expect(across / short.across).toBeCloseTo(1, 2)
    }
  })
  it('by the table is the grid’s within 5 percent between its places, to both sides of the load', () => {
    for (const [ratio, eccentricity, direction] of [
      [0.12, 0.3, 0.7],
      [0.25, 0.75, 1.2],
      [0.33, 0.9, 0.2],
      [0.33, 0.9, 1.9],
      [0.33, 0.96, 2.6],
      [0.48, 0.5, 3],
      [0.65, 0.98, 1.6],
    ]) {
      const grid = mobilityOnGrid(ratio, { around: 480, across: 8 })(eccentricity, direction)
      const found = blank()
      const [along, across] = [eccentricity * Math.cos(grid.angle), eccentricity * Math.sin(grid.angle)]
      finiteMobility(ratio).at(along, across, found)
      const off = Math.hypot(found.along - grid.along, found.across - grid.across)
      expect(off / Math.hypot(grid.along, grid.across), `${ratio} ${eccentricity}`).toBeLessThan(0.05)
      expect(finiteMobility(ratio).peakAt(along, across) / grid.peak).toBeCloseTo(1, 1)
      const other = blank()
      finiteMobility(ratio).at(along, -across, other)
      expect(other).toEqual({ ...found, across: -found.across })
    }
  })
  it('yields more than the short bearing’s the thinner the film and the longer the bearing', () => {
    const more = (ratio: number, along: number) => {
      const found = blank()
      finiteMobility(ratio).at(along, 0, found)
      return found.along / shortMobility(along, 0, ratio).along
    }
    expect(more(0.3, 0.95)).toBeGreaterThan(1.8)
    expect(more(0.3, 0.95)).toBeGreaterThan(more(0.3, 0.7))
    expect(more(0.5, 0.95)).toBeGreaterThan(more(0.3, 0.95))
  })
})
