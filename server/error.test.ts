import { createError } from 'h3'
import { expect, it } from 'vitest'
import { DatabaseAway } from './data/failure'
import { answerOf } from './error'

const of = (thrown: unknown) => answerOf(createError(thrown as Error), '/api/x')

it('a disk that takes nothing more is said in words, whoever of the two tells it; what nobody foresaw tells nothing of its inside', () => {
  expect(of(Object.assign(new Error('could not extend file "base/5/1"'), { code: '53100' }))).toMatchObject({
    status: 507,
    code: 'disk',
    message: expect.stringMatching(/^The disk of the shop’s machine is full/) as string,
  })
  for (const [errno, words] of [
    [51, 'is full'],
    [69, 'can only be read'],
    [29, 'fails'],
  ] as const)
    expect(of(Object.assign(new Error('fs'), { name: 'ErrnoError', errno })).message).toContain(words)
  expect(of(Object.assign(new Error('no space left'), { code: 'ENOSPC' })).status).toBe(507)
  expect(of(new DatabaseAway('connect ECONNREFUSED 10.0.0.7:5432'))).toMatchObject({
    status: 503,
    code: 'database-away',
  })
  expect(JSON.stringify(of(new DatabaseAway('connect ECONNREFUSED 10.0.0.7:5432')))).not.toContain('10.0.0.7')
  const strange = of(new Error('relation "secret" does not exist at /home/x'))
  expect(strange).toMatchObject({ status: 500, code: 'failed' })
  expect(JSON.stringify(strange)).not.toMatch(/secret|home/)
  expect(of(createError({ statusCode: 404 }))).toMatchObject({ status: 404, code: 'unknown' })
  expect(
    of(createError({ statusCode: 409, data: { status: 409, code: 'conflict', message: 'm', problems: [] } })),
  ).toEqual({ status: 409, code: 'conflict', message: 'm', problems: [] })
})
