import { expect, it } from 'vitest'
import { hasWords } from './search'

it('finds words anywhere and in any order, and numbers as words of their own', () => {
  const line = '12 May 2026, 10:04 Maren Bearings Main 2 bore 66.041 mm Bore gauge 50 to 100'
  for (const search of ['', 'main 2 bore', 'bore MAREN', '66.04', 'gaug', '2026', '2'])
    expect(hasWords(line, search)).toBe(true)
  for (const search of ['main 3', '66', 'ilse', 'main 6', '202', 'main 2 journal'])
    expect(hasWords(line, search)).toBe(false)
})
