import { describe, expect, it } from 'vitest'
import { stylesCome } from './stylesCome'

type Link = { media: string; sheet: object | null; onload?: () => void; onerror?: () => void }
const page = (...links: Link[]) => ({ querySelectorAll: () => links }) as unknown as Document
/** Whether something is done by now. */
const isDone = (waiting: Promise<unknown>) =>
  Promise.race([waiting.then(() => true), new Promise((later) => setTimeout(later, 0, false))])

describe('the style sheet beside the first paint', () => {
  it('is put to use, and waited for until it is there or does not come', async () => {
    const [comes, fails]: Link[] = [
      { media: 'not all', sheet: null },
      { media: 'not all', sheet: null },
    ]
    const waiting = stylesCome(page(comes, fails))
    expect([comes.media, fails.media]).toEqual(['all', 'all'])
    comes.onload!()
    expect(await isDone(waiting)).toBe(false)
    fails.onerror!()
    expect(await isDone(waiting)).toBe(true)
  })

  it('one that is here already is not waited for, nor a page without', async () => {
    expect(await isDone(stylesCome(page({ media: 'not all', sheet: {} })))).toBe(true)
    expect(await isDone(stylesCome(page()))).toBe(true)
  })
})
