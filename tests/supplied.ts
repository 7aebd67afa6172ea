import type { Page } from '@playwright/test'
import { newSheet } from '../core/record/layouts'
import type { Layout, Sheet } from '../core/record/schema'
import { expect, type Running } from './server'

/** A new build straight from its layout; its id. */
export async function newBuild(server: Running, preset: string, change: Partial<Layout> = {}): Promise<string> {
  const { layout } = newSheet(preset, 'a', 'b')
  const response = await fetch(`${server.address}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Trial', engine: 'Marlow 2.0', layout: { ...layout, ...change } }),
  })
  expect(response.status).toBe(201)
  const { id } = (await response.json()) as { id: string }
  server.made?.push({ id, name: 'Trial' })
  return id
}
/** A build as its file has it; its id. */
export async function posted(server: Running, sheet: Sheet): Promise<string> {
  const response = await fetch(`${server.address}/api/builds`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ sheet }),
  })
  expect(response.status).toBe(201)
  const { id } = (await response.json()) as { id: string }
  server.made?.push({ id, name: sheet.name })
  return id
}
export const pressure = (page: Page, state: string) => page.locator(`[data-state="${state}"]`).getByTestId('pressure')
export const number = async (page: Page, state: string) => Number(await pressure(page, state).textContent())
export const judgement = (page: Page) => page.getByRole('region', { name: 'Judgement' })
export const attribute = async (page: Page, selector: string, name: string) =>
  Number(await page.locator(selector).getAttribute(name))
