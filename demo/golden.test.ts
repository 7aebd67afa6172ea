import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'
import { DEMO_NAMES, type GoldenState, goldenOf } from './golden'

/** Held to half a percent; `EXACT=1` holds a change of structure alone to 1e-9. Bands are drawn from samples, and are held as the figures are. */
const WITHIN = process.env.EXACT ? 1e-9 : 5e-3
/** Below this a pressure or flow is held against this: 1 Pa, 1 mm³/s. */
const LEAST = { pressure: 1, flow: 1e-9, film: 1e-7 }
const golden = JSON.parse(readFileSync(fileURLToPath(new URL('./golden.json', import.meta.url)), 'utf8')) as Record<
  string,
  Record<string, GoldenState>
>

describe.each(DEMO_NAMES)('the figures of %s', (name) => {
  it.each(Object.keys(golden[name]))('at %s are what they were', (state) => {
    const [was, is] = [golden[name][state], goldenOf(name)[state as keyof ReturnType<typeof goldenOf>]]
    const near = (now: number, then: number, least: number, what: string) =>
      expect(Math.abs(now - then) / Math.max(Math.abs(then), least), `${what}: ${now}, was ${then}`).toBeLessThan(
        WITHIN,
      )
    for (const key of ['pressure', 'low', 'high', 'outlet'] as const) near(is[key], was[key], LEAST.pressure, key)
    for (const key of ['mainFilm', 'rodFilm'] as const) near(is[key], was[key], LEAST.film, key)
    near(is.delivered, was.delivered, LEAST.flow, 'delivered')
    expect(Object.keys(is.flows).sort()).toEqual(Object.keys(was.flows).sort())
    for (const [id, then] of Object.entries(was.pressures)) near(is.pressures[id], then, LEAST.pressure, id)
    for (const [id, then] of Object.entries(was.flows)) near(is.flows[id], then, LEAST.flow, id)
  })
})
