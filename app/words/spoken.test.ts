import { afterEach, expect, it } from 'vitest'
import { writeNumbersAs } from './numbers'
import { spokenFigure } from './spoken'

afterEach(() => writeNumbersAs('en'))

it('says what is before the mark as a number and each figure after it, so that no nought is lost', () => {
  expect(spokenFigure('60.041')).toBe('60 0 4 1')
  expect(spokenFigure('0.050')).toBe('0 0 5 0')
  expect(spokenFigure('12')).toBe('12')
  expect(spokenFigure('1,032')).toBe('1032')
  expect(spokenFigure('−0.5')).toBe('− 0 5')
  expect(spokenFigure('Main 2 bore is 66.5 mm: really?')).toBe('Main 2 bore is 66 5 mm: really?')
  writeNumbersAs('de-AT')
  expect(spokenFigure('60,041')).toBe('60 0 4 1')
})
