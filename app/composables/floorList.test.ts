import { describe, expect, it } from 'vitest'
import type { Listed } from '~/sync/routes'
import { countOf, floorList } from './floorList'

const build = (name: string, more: Partial<Listed> = {}): Listed => ({
  id: name,
  revision: 0,
  name,
  engine: 'Hesper 3.6',
  work: 'ferry',
  layout: 'inline6',
  changedAt: '2026-05-01T00:00:00Z',
  progress: [{ station: 'brief', done: 1, wanted: 4, missing: [] }],
  waiting: 0,
  place: 'floor',
  ...more,
})
const NAMES = (builds: Listed[]) => builds.map(({ name }) => name)
const all = [
  build('Tractor 10', { engine: 'Talvik 1.9', changedAt: '2026-05-03T00:00:00Z' }),
  build('tractor 2', { progress: [{ station: 'brief', done: 4, wanted: 4, missing: [], verdict: 'stop' }] }),
  build('Ferry', { changedAt: '2026-05-02T00:00:00Z' }),
  build('Old one', { place: 'archive' }),
  build('Gone', { place: 'deleted' }),
]

describe('the floor as it is wanted', () => {
  it('finds by words of name, engine and machine, in any order and case', () => {
    expect(NAMES(floorList(all, { text: 'talvik TRACTOR', shows: 'floor', order: 'name' }))).toEqual(['Tractor 10'])
    expect(floorList(all, { text: 'talvik ferry hesper', shows: 'floor', order: 'name' })).toEqual([])
  })
  it('sorts by name as a person counts, by the last change, and by how far each is', () => {
    const names = (order: 'name' | 'changed' | 'most' | 'least') =>
      NAMES(floorList(all, { text: '', shows: 'floor', order }))
    expect(names('name')).toEqual(['Ferry', 'tractor 2', 'Tractor 10'])
    expect(names('changed')).toEqual(['Tractor 10', 'Ferry', 'tractor 2'])
    expect(names('most')[0]).toBe('tractor 2')
    expect(names('least').at(-1)).toBe('tractor 2')
  })
  it('keeps apart what stands still, what is archived and what is deleted', () => {
    expect(NAMES(floorList(all, { text: '', shows: 'stop', order: 'name' }))).toEqual(['tractor 2'])
    expect(NAMES(floorList(all, { text: '', shows: 'archive', order: 'name' }))).toEqual(['Old one'])
    expect(NAMES(floorList(all, { text: '', shows: 'deleted', order: 'name' }))).toEqual(['Gone'])
    expect(countOf(all, 'floor')).toBe(3)
  })
})
