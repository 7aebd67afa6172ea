import { describe, expect, it } from 'vitest'
import { glossary, termOf } from './glossary'

describe('the glossary', () => {
  it('stands in the order of the alphabet, says each term once and in a sentence', () => {
    const terms = glossary().map(({ term }) => term)
    expect(terms).toEqual([...new Set(terms)].sort((a, b) => a.localeCompare(b)))
    for (const { means } of glossary()) expect(means).toMatch(/^[A-Z].*\.$/)
  })
  it('finds what a label is about by whole words, the longest first', () => {
    expect(termOf('End clearance')?.term).toBe('End clearance')
    expect(termOf('Main 2 clearance')?.term).toBe('Clearance')
    expect(termOf('Shims, all together')?.term).toBe('Shim')
    expect(termOf('Plunger diameter')?.term).toBe('Plunger')
    expect(termOf('Remainder')).toBeUndefined()
  })
})
