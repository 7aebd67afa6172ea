import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { oneAtATime } from './oneAtATime'

describe('one at a time', () => {
  /** A box that is emptied bit by bit: look, send, look again, count; each a step of the clock's own. */
  function outbox() {
    const waiting: number[] = []
    const sent: number[] = []
    let inside = 0
    let most = 0
    const tick = () => Promise.resolve()
    const send = oneAtATime(async () => {
      most = Math.max(most, ++inside)
      for (await tick(); waiting.length > 0; await tick()) sent.push(waiting.shift()!)
      await tick()
      inside--
    })
    return { waiting, sent, send, tick, most: () => most }
  }
  it('leaves nothing lying, whenever it comes in, and never runs twice at once', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.nat(9), { minLength: 1, maxLength: 30 }), async (waits) => {
        const { waiting, sent, send, tick, most } = outbox()
        let last: Promise<void> | undefined
        for (const [i, ticks] of waits.entries()) {
          waiting.push(i)
          last = send()
          for (let k = 0; k < ticks; k++) await tick()
        }
        await last
        expect(sent).toEqual(waits.map((_, i) => i))
        expect(most()).toBe(1)
      }),
    )
  })
  it('a failure is its caller’s, and does not stop what is asked for later', async () => {
    let tries = 0
    const send = oneAtATime(async () => {
      await Promise.resolve()
      if (++tries === 1) throw new Error('gone')
    })
    await expect(send()).rejects.toThrow('gone')
    await send()
    expect(tries).toBe(2)
  })
})
