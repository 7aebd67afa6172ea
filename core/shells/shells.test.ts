import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { chooseShells } from './choose'
import { type IntegerSolver, integerSolver } from '../programme/solver'
import type { ShellProblem, ShellStock } from './types'

let solve: IntegerSolver
beforeAll(async () => {
  solve = await integerSolver()
})
const shells = (wall: number, upper: number, lower: number): ShellStock[] => [
  { id: `u${wall}`, half: 'upper', wall: wall * 1e-6, count: upper },
  { id: `l${wall}`, half: 'lower', wall: wall * 1e-6, count: lower },
]
const problem = (clearances: number[], stock: ShellStock[], target = 57): ShellProblem => ({
  stations: clearances.map((clearance, i) => ({ id: `Main ${i + 1}`, clearance: clearance * 1e-6 })),
  stock,
  target: target * 1e-6,
  least: 40e-6,
  most: 76e-6,
})

describe('shell choice', () => {
  it('cures the loose main with one thicker half where that lands nearest: 0.094 less 0.025 is 0.069', () => {
    const plan = chooseShells(problem([56, 58, 57, 94], [...shells(0, 4, 4), ...shells(25, 0, 1)]), solve)
    expect(plan.kind).toBe('chosen')
    if (plan.kind !== 'chosen') return
    expect(plan.choices[3]).toMatchObject({ upper: 'u0', lower: 'l25', clearance: expect.closeTo(69e-6, 12) })
    expect(plan.worst).toBeCloseTo(12e-6, 12)
    expect(plan.outside).toEqual([])
  })
  it('offers other sets beside the best, each worse or equal and each leaving other clearances', () => {
    const plan = chooseShells(problem([60, 75], [...shells(0, 2, 2), ...shells(10, 2, 2)]), solve)
    if (plan.kind !== 'chosen') throw new Error('no plan')
    expect(plan.alternatives).toHaveLength(2)
    const sets = [plan, ...plan.alternatives].map(({ choices }) =>
      choices.map(({ clearance }) => Math.round(clearance * 1e6)).join(),
    )
    expect(new Set(sets).size).toBe(3)
    for (const { worst } of plan.alternatives) expect(worst).toBeGreaterThanOrEqual(plan.worst - 1e-12)
  })
  it('keeps the halves of a pair within one grade: no standard with a half two grades up', () => {
    const plan = chooseShells(
      problem(
        [107],
        [
          ...shells(0, 1, 1),
          { id: 'l50', half: 'lower', wall: 50e-6, count: 1 },
          { id: 'u25', half: 'upper', wall: 25e-6, count: 0 },
        ],
      ),
      solve,
    )
    expect(plan).toMatchObject({ kind: 'chosen', choices: [{ upper: 'u0', lower: 'l0' }], outside: ['Main 1'] })
  })
  it('says plainly when stock is short, and what to order', () => {
    const plan = chooseShells(problem([57, 57, 57], [...shells(0, 2, 3)]), solve)
    expect(plan).toMatchObject({
      kind: 'short',
      reason: '2 upper shells are in stock and 3 are wanted',
      order: [{ half: 'upper', wall: 0, count: 1 }],
    })
  })
  it('is as good as trying every choice, first by the worst deviation, then by the sum', () => {
    const clearances = fc.array(fc.integer({ min: 45, max: 110 }), { minLength: 1, maxLength: 3 })
    const counts = fc.tuple(...Array.from({ length: 6 }, () => fc.integer({ min: 0, max: 3 }))) as fc.Arbitrary<
      number[]
    >
    fc.assert(
      fc.property(clearances, counts, (own, [a, b, c, d, e, f]) => {
        const given = problem(own, [...shells(-10, a, b), ...shells(0, c, d), ...shells(15, e, f)])
        let best: [number, number] | undefined
        const grades = [-10, 0, 15]
        const walk = (i: number, left: number[], worst: number, sum: number): void => {
          if (i === own.length) {
            if (!best || worst < best[0] - 1e-9 || (Math.abs(worst - best[0]) < 1e-9 && sum < best[1]))
              best = [worst, sum]
            return
          }
          for (let u = 0; u < 3; u++)
            for (let l = 0; l < 3; l++) {
              if (Math.abs(u - l) > 1 || left[2 * u] === 0 || left[2 * l + 1] === 0) continue
              const next = [...left]
              next[2 * u]--
              next[2 * l + 1]--
              const deviation = Math.abs(own[i] - grades[u] - grades[l] - 57)
              walk(i + 1, next, Math.max(worst, deviation), sum + deviation)
            }
        }
        walk(0, [a, b, c, d, e, f], 0, 0)
        const plan = chooseShells(given, solve)
        expect(plan.kind).toBe(best ? 'chosen' : 'short')
        if (plan.kind !== 'chosen' || !best) return
        expect(plan.worst * 1e6).toBeCloseTo(best[0], 3)
        expect(plan.choices.reduce((sum, { clearance }) => sum + Math.abs(clearance * 1e6 - 57), 0)).toBeCloseTo(
          best[1],
          3,
        )
      }),
      { numRuns: 60 },
    )
  })
})
