import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { prepareAllotment } from './allotment'

/** A chain of nodes 0 → 1 → 2 …, the first way from outside, the last to outside. */
function chain(nodes: number) {
  const ways = Array.from({ length: nodes + 1 }, (_, e) => e)
  const froms = Int32Array.from(ways, (e) => e - 1)
  const tos = Int32Array.from(ways, (e) => (e < nodes ? e : -1))
  return { ways, allotment: prepareAllotment(ways, froms, tos, ways.length, nodes) }
}
const whole = () => 1

describe('the oil of a step', () => {
  it('a node gives what it holds and what comes to it meanwhile, and no more', () => {
    const { allotment } = chain(2)
    // 3 come in, 5 are wanted of the first, which holds 1; the second wants 9 of the 4 that come to it.
    allotment.allot(Float64Array.of(1, 1, 1), (e) => [3, 5, 9][e], Float64Array.of(1, 0), whole)
    expect([0, 1, 2].map(allotment.carries)).toEqual([3, expect.closeTo(4, 9), expect.closeTo(4, 9)])
  })
  it('a way that runs backwards takes from its other end', () => {
    const { allotment } = chain(2)
    allotment.allot(Float64Array.of(1, -1, 1), (e) => [0, 2, 1][e], Float64Array.of(0, 5), whole)
    expect([allotment.upstream(1), allotment.downstream(1)]).toEqual([1, 0])
    expect([allotment.upstream(2), allotment.downstream(2)]).toEqual([1, -1])
    expect([0, 1, 2].map(allotment.carries)).toEqual([0, 2, 1])
    allotment.allot(Float64Array.of(1, 1, 1), (e) => [0, 2, 1][e], Float64Array.of(5, 0), whole)
    expect([allotment.upstream(1), allotment.downstream(1)]).toEqual([0, 1])
  })
  it('from outside comes what is open there: a tank gives what is left in it', () => {
    const { allotment } = chain(1)
    allotment.allot(
      Float64Array.of(1, 1),
      () => 4,
      Float64Array.of(0),
      (_, wanted) => 1 / wanted,
    )
    expect([0, 1].map(allotment.carries)).toEqual([1, expect.closeTo(1, 9)])
  })
  it('is shared where two ways draw on one node', () => {
    const allotment = prepareAllotment([0, 1], Int32Array.of(0, 0), Int32Array.of(-1, -1), 2, 1)
    allotment.allot(Float64Array.of(1, 1), (e) => [6, 2][e], Float64Array.of(4), whole)
    expect([0, 1].map(allotment.carries)).toEqual([3, 1])
  })
  it('whatever flows where, nothing gives more than it has, and nothing more than is wanted goes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ from: fc.integer({ min: -1, max: 5 }), to: fc.integer({ min: -1, max: 5 }) }), {
          minLength: 1,
          maxLength: 14,
        }),
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 14, maxLength: 14 }),
        fc.array(fc.double({ min: 0, max: 3, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (ends, flows, held) => {
          const ways = ends.map((_, e) => e).filter((e) => ends[e].from !== ends[e].to)
          const allotment = prepareAllotment(
            ways,
            Int32Array.from(ends, ({ from }) => from),
            Int32Array.from(ends, ({ to }) => to),
            ends.length,
            6,
          )
          allotment.allot(Float64Array.from(flows), (e) => Math.abs(flows[e]), Float64Array.from(held), whole)
          for (let node = 0; node < 6; node++) {
            const sum = (end: (e: number) => number) =>
              ways.filter((e) => end(e) === node).reduce((all, e) => all + allotment.carries(e), 0)
            expect(sum(allotment.upstream)).toBeLessThanOrEqual(held[node] + sum(allotment.downstream) + 1e-9)
          }
          for (const e of ways) expect(allotment.carries(e)).toBeLessThanOrEqual(Math.abs(flows[e]) + 1e-12)
        },
      ),
    )
  })
})
