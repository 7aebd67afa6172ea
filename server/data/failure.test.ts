import { expect, it } from 'vitest'
import { inWords } from './failure'

const WORDS = { ENOSPC: 'its disk is full. Make room and start again.' }

it('a full disk is said in words, whoever found it: the system, the database, or a migration that it stopped', () => {
  const full = Object.assign(new Error('could not extend file: No space left on device'), { code: '53100' })
  for (const error of [
    Object.assign(new Error('write'), { code: 'ENOSPC' }),
    { name: 'ErrnoError', errno: 51 },
    full,
    new Error('Migration 0005_runs failed: could not extend file', { cause: full }),
  ])
    expect(inWords(error, WORDS)).toBe(WORDS.ENOSPC)
  expect(inWords(new Error('Migration 0005_runs failed: syntax', { cause: new Error('syntax') }), WORDS)).toContain(
    'syntax',
  )
  // A connection that PostgreSQL cannot begin has no such code.
  expect(inWords(Object.assign(new Error('could not write init file'), { code: 'XX000' }), WORDS)).toMatch(
    /^could not write init file.*full/,
  )
})
