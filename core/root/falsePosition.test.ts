import fc from 'fast-check'
import { expect, it } from 'vitest'
import { falsePosition } from './falsePosition'

it('finds where a rising or falling function is zero, however bent', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.1, max: 9, noNaN: true }),
      fc.double({ min: 0.2, max: 6, noNaN: true }),
      fc.boolean(),
      (root, power, falls) => {
        const of = (x: number) => (falls ? -1 : 1) * (x ** power - root ** power)
        const found = falsePosition(of, 0, 10, of(0), of(10), { close: 1e-9 * root ** power, rounds: 200 })
        expect(found / root).toBeCloseTo(1, 6)
      },
    ),
  )
})
it('ends by the bracket’s width or by its rounds', () => {
  let asked = 0
  const of = (x: number) => {
    asked++
    return x * x * x - 8
  }
  expect(falsePosition(of, 0, 10, -8, 992, { close: 0, narrow: 1e-3 })).toBeCloseTo(2, 2)
  asked = 0
  falsePosition(of, 0, 10, -8, 992, { close: 0, rounds: 3 })
  expect(asked).toBe(3)
})
