import type { KeptEvent } from './run'
import type { RunEvent } from './schema'

/** What is seen or heard of an engine that turns: one tap each. */
export const REMARKS = ['leak', 'smoke', 'tick', 'knock', 'whine'] as const
export type RemarkKind = (typeof REMARKS)[number]
/** Where a leak came from, as far as somebody could say. */
export const LEAK_PLACES = ['filter', 'plug', 'other'] as const
export type LeakPlace = (typeof LEAK_PLACES)[number]

/** A remark of a run, with what was added to it since. */
export interface Remark {
  kind: RemarkKind
  /** Of the event that it was noted with. */
  key: string
  /** s of the run. */
  time: number
  who: string
  place?: LeakPlace
  photos: string[]
}

const isRemark = (value: unknown): value is RemarkKind => REMARKS.includes(value as RemarkKind)
const isPlace = (value: unknown): value is LeakPlace => LEAK_PLACES.includes(value as LeakPlace)

/** The event's kind and data that note a remark, take it back, place it, or add a photo to it: only ever added, as all events of a run are. */
export const remarkEvent = {
  note: (kind: RemarkKind) => ({ kind: 'seen', data: { remark: kind } }) as const,
  takeBack: (key: string) => ({ kind: 'note', data: { of: key, back: true } }) as const,
  place: (key: string, place: LeakPlace) => ({ kind: 'note', data: { of: key, place } }) as const,
  photograph: (key: string, photo: string) => ({ kind: 'note', data: { of: key, photo } }) as const,
} satisfies Record<string, (...given: never[]) => Pick<RunEvent, 'kind' | 'data'>>

/** What was seen and heard in a run, in order of time, without what was taken back. */
export function remarksOf(
  events: readonly Pick<KeptEvent, 'clientKey' | 'kind' | 'data' | 'time' | 'who'>[],
): Remark[] {
  return events
    .flatMap(({ kind, data, clientKey, time, who }): Remark[] => {
      if (kind !== 'seen' || !isRemark(data.remark)) return []
      const since = events.filter((each) => each.kind === 'note' && each.data.of === clientKey)
      if (since.some((each) => each.data.back === true)) return []
      const place = since.map((each) => each.data.place).findLast(isPlace)
      const photos = since.flatMap((each) => (typeof each.data.photo === 'string' ? [each.data.photo] : []))
      return [{ kind: data.remark, key: clientKey, time, who, ...(place ? { place } : {}), photos }]
    })
    .sort((a, b) => a.time - b.time)
}
