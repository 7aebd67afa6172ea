import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { Sheet } from '../core/record/schema'
import { circuitAtState } from '../core/outlook/circuitState'
import { outlookOf } from '../core/outlook/outlook'
import { STATE_NAMES, type StateName } from '../core/targets/targets'

export const DEMO_NAMES = ['ottiline', 'talvik', 'dunmarrow', 'pell'] as const

/** What the model says of an engine at one state, SI: the gauge with its band, films, and every pressure and flow of its circuit by name. */
export interface GoldenState {
  pressure: number
  low: number
  high: number
  outlet: number
  mainFilm: number
  rodFilm: number
  delivered: number
  pressures: Record<string, number>
  flows: Record<string, number>
}

export const demoSheet = (name: string): Sheet =>
  Sheet.parse(JSON.parse(readFileSync(fileURLToPath(new URL(`./builds/${name}.json`, import.meta.url)), 'utf8')))

/** The figures of a demo build at its four states, to fourteen digits. */
export function goldenOf(name: string): Record<StateName, GoldenState> {
  const sheet = demoSheet(name)
  const { states } = outlookOf(sheet)
  const digits = (value: number) => Number(value.toPrecision(14))
  return Object.fromEntries(
    STATE_NAMES.map((state, i) => {
      const { pressure, low, high, outlet, films } = states.find((each) => each.name === state)!
      const { nodes, elements, delivered } = circuitAtState(sheet, i)
      return [
        state,
        {
          pressure: digits(pressure),
          low: digits(low),
          high: digits(high),
          outlet: digits(outlet),
          mainFilm: digits(films.main),
          rodFilm: digits(films.rod),
          delivered: digits(delivered),
          pressures: Object.fromEntries(nodes.map(({ id, pressure: at }) => [id, digits(at)])),
          flows: Object.fromEntries(elements.map(({ id, flow }) => [id, digits(flow)])),
        },
      ]
    }),
  ) as Record<StateName, GoldenState>
}
