import { randomUUID } from 'node:crypto'
import { own, type Shop } from './network'

export const reading = (by: string, value = 0.056985) => ({ value, source: 'measured', by, at: '2026-05-11T08:00:00Z' })
export const change = (
  who: string,
  patch: unknown[] = [{ op: 'add', path: '/readings/main.1.journal', value: reading(who) }],
  base = 0,
) => ({ clientKey: randomUUID(), device: randomUUID(), base, who, patch })

export const entriesOf = async (shop: Shop, id: string) =>
  (await own(shop, 'GET', `/api/builds/${id}/entries`)).json as { who: string }[]
