import { createError } from 'h3'
import { expect, it } from 'vitest'
import { answerOf } from './error'

it('a request that broke off is nobody’s failure; what nobody foresaw is one, without its insides', () => {
  const cut = Object.assign(new Error('aborted'), { code: 'ECONNRESET' })
  expect(answerOf(createError(cut), '/api/x')).toMatchObject({ status: 400, code: 'cut-off' })
  const foreseen = answerOf(createError(new Error('column “pin” does not exist')), '/api/x')
  expect(foreseen).toMatchObject({ status: 500, code: 'failed' })
  expect(foreseen.message).not.toContain('pin')
})
