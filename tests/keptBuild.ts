import { randomUUID } from 'node:crypto'
import { expect, type Running } from './server'

export const json = { 'content-type': 'application/json' }
export const put = (key: string, value: number) => ({
  op: 'add',
  path: `/readings/${key}`,
  value: { value, source: 'measured', at: '2026-05-20T08:00:00Z' },
})
export async function write(server: Running, id: string, patch: unknown[], who = 'Ilse') {
  const { revision } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { revision: number }
  const response = await fetch(`${server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ clientKey: randomUUID(), device: randomUUID(), base: revision, who, patch }),
  })
  expect(response.ok, await response.text()).toBe(true)
}
