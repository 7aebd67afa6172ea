import { FAULT_WORDS } from '../app/words/faults'
import { choose, typeCount } from './controls'
import type { Page } from '@playwright/test'
import type { ChannelSample } from '../core/run/channels'
import type { Run } from '../core/run/run'
import { expect, ontoTheBoard, type Running } from './server'

/** Sound is let in, and counted rather than heard. */
export async function hear(page: Page) {
  await page.addInitScript(() => {
    const heard = { starts: 0, stops: 0 }
    Object.assign(window, { heard })
    class Node {
      gain = { value: 0 }
      frequency = { value: 0 }
      type = ''
      connect() {}
      disconnect() {}
      start() {
        heard.starts++
      }
      stop() {
        heard.stops++
      }
    }
    Object.assign(window, {
      AudioContext: class {
        destination = {}
        resume() {
          return Promise.resolve()
        }
        createGain() {
          return new Node()
        }
        createOscillator() {
          return new Node()
        }
      },
    })
  })
}
export const heard = (page: Page) =>
  page.evaluate(() => (window as unknown as { heard: { starts: number; stops: number } }).heard)

export const press = (page: Page, name: string) =>
  page
    .getByRole('button', { name, exact: true })
    .or(page.getByRole('tab', { name, exact: true }))
    .click()
export const runsOf = async (server: Running, id: string) =>
  (await (await fetch(`${server.address}/api/builds/${id}/runs`)).json()) as Run[]
export const samplesOf = async (server: Running, run: string) =>
  (await (await fetch(`${server.address}/api/runs/${run}/samples`)).json()) as ChannelSample[]

export async function simulate(
  page: Page,
  fault?: keyof typeof FAULT_WORDS,
  gauge = false,
  engine = '42',
  pace = '20 ×',
) {
  await press(page, 'Readings come from: Simulated')
  await typeCount(page.getByRole('spinbutton', { name: 'Engine number' }), engine)
  await press(page, `Pace: ${pace}`)
  if (fault) await choose(page.getByRole('combobox', { name: 'Engine', exact: true }), FAULT_WORDS[fault])
  if (gauge) await press(page, 'Gauge: and a gauge')
}

/** Preflight gone past with its reasons, and onto the board. */
export async function board(page: Page) {
  await ontoTheBoard(page)
  await expect(page.getByTestId('board-word')).toHaveText('GO')
}
