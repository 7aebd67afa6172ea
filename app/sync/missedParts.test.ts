import { describe, expect, it, vi } from 'vitest'
import { makeMissedParts } from './missedParts'

describe('a part of the page that does not come', () => {
  /** An import as Vite wraps it: the error is announced, then passed on to who asked. */
  const failing = (parts: ReturnType<typeof makeMissedParts>, error: Error) =>
    Promise.resolve().then(() => {
      parts.missed(error)
      throw error
    })
  const settled = () => new Promise((done) => setTimeout(done, 5))

  it('is told, also while something else is fetched beside the work', async () => {
    const tell = vi.fn()
    const parts = makeMissedParts(tell)
    void parts.beside(new Promise(() => undefined))
    await expect(failing(parts, new Error('the view'))).rejects.toThrow('the view')
    await settled()
    expect(tell).toHaveBeenCalledTimes(1)
  })

  it('is not told when it was fetched beside the work, which learns of it all the same', async () => {
    const tell = vi.fn()
    const parts = makeMissedParts(tell)
    const all = ['toast', 'glossary'].map((name) => parts.beside(failing(parts, new Error(name))))
    expect((await Promise.allSettled(all)).map(({ status }) => status)).toEqual(['rejected', 'rejected'])
    await settled()
    expect(tell).not.toHaveBeenCalled()
  })
})
