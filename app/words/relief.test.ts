import { describe, expect, it } from 'vitest'
import { objectionWords } from './relief'

describe('what stands against a route', () => {
  it('is one sentence, and says another way by what was meant to be fitted', () => {
    expect(objectionWords('shims', [])).toBe('')
    expect(objectionWords('shims', ['opens-above'])).toBe(
      'Opens above it without any shim: move the plug out, or take a softer spring.',
    )
    expect(objectionWords('spring', ['opens-above', 'wire-sets'])).toBe(
      'Opens above it without any shim: take a softer or shorter spring; the wire would set.',
    )
  })
})
