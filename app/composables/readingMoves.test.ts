import { describe, expect, it } from 'vitest'
import { inOrder } from './readingMoves'

const field = (column: string, row: number) => ({ dataset: { column }, name: `${column} ${row}` })
const table = [1, 2, 3].flatMap((row) => [field('journal', row), field('bore', row)])

describe('the way of Enter', () => {
  it('goes along the rows', () => {
    expect(inOrder(table, 'across').map(({ name }) => name)).toEqual(table.map(({ name }) => name))
  })
  it('takes all journals of mains and rods with the one micrometer before any bore', () => {
    const engine = [field('main.journal', 1), field('main.bore', 1), field('rod.journal', 1), field('rod.bore', 1)]
    expect(inOrder(engine, 'down').map(({ name }) => name)).toEqual([
      'main.journal 1',
      'rod.journal 1',
      'main.bore 1',
      'rod.bore 1',
    ])
  })
  it('goes down a column and on to the top of the next', () => {
    expect(inOrder(table, 'down').map(({ name }) => name)).toEqual([
      'journal 1',
      'journal 2',
      'journal 3',
      'bore 1',
      'bore 2',
      'bore 3',
    ])
  })
})
