import { describe, expect, it } from 'vitest'
import { observedIn } from '../trace/fromRun'
import { type LeakPlace, remarkEvent, remarksOf, type RemarkKind } from './remarks'
import { RunEvent } from './schema'

const id = (n: number) => `00000000-0000-4000-8000-00000000000${n}`
const PHOTO = id(9)
let count = 0
const event = (of: ReturnType<(typeof remarkEvent)[keyof typeof remarkEvent]>, time: number) =>
  RunEvent.parse({ ...of, data: { ...of.data }, clientKey: id(++count % 9), time, who: 'Maren' })
const note = (kind: RemarkKind, time: number) => event(remarkEvent.note(kind), time)

describe('what was seen and heard in a run', () => {
  it('is told in order of time, with what was added to it, and without what was taken back', () => {
    count = 0
    const [knock, leak, smoke] = [note('knock', 30), note('leak', 12), note('smoke', 20)]
    const later = [
      event(remarkEvent.place(leak.clientKey, 'plug'), 40),
      event(remarkEvent.place(leak.clientKey, 'filter'), 41),
      event(remarkEvent.photograph(leak.clientKey, PHOTO), 42),
      event(remarkEvent.takeBack(smoke.clientKey), 43),
    ]
    expect(remarksOf([knock, leak, smoke, ...later])).toEqual([
      { kind: 'leak', key: leak.clientKey, time: 12, who: 'Maren', place: 'filter', photos: [PHOTO] },
      { kind: 'knock', key: knock.clientKey, time: 30, who: 'Maren', photos: [] },
    ])
  })
  it('holds nothing of what other events say: oil at an outlet of a prime, a photo of the run, a remark that is not known', () => {
    count = 0
    const others = [
      { kind: 'seen', data: { place: 'pad' } },
      { kind: 'note', data: { photo: PHOTO } },
      { kind: 'seen', data: { remark: 'rattle' } },
    ].map((of) => RunEvent.parse({ ...of, clientKey: id(++count), time: 5, who: 'Maren' }))
    expect(remarksOf(others)).toEqual([])
  })
})

describe('what a case takes up from a run', () => {
  const remark = (kind: RemarkKind, place?: LeakPlace) => ({ kind, key: id(1), time: 3, who: 'Ilo', place, photos: [] })
  it('is the noise that says most, and a leak where its place is known', () => {
    const taken = observedIn([remark('tick'), remark('knock'), remark('leak', 'plug')], '2026-03-01T10:00:00Z')
    expect(taken.noise).toEqual({ value: 'knock', by: 'Ilo', at: '2026-03-01T10:00:00Z' })
    expect(taken['leak-outside']?.value).toBe('plug')
  })
  it('is no more than was seen', () => {
    expect(observedIn([remark('smoke'), remark('leak'), remark('leak', 'other')], '2026-03-01T10:00:00Z')).toEqual({})
    expect(observedIn([{ ...remark('whine'), photos: [PHOTO] }], '2026-03-01T10:00:00Z').noise?.photos).toEqual([PHOTO])
  })
})
