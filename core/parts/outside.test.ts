import { describe, expect, it } from 'vitest'
import { checkSheet } from '../engine/checkSheet'
import { hasCycle, modelLimits } from '../engine/modelLimits'
import { circuitState } from '../outlook/circuitState'
import { stateReadings } from '../outlook/change'
import { modelOf } from '../outlook/model'
import { engineOrbits } from '../outlook/orbits'
import { namedStates } from '../outlook/states'
import { oilAt } from '../oil/oil'
import { newSheet, PRESETS } from '../record/layouts'
import { Layout, type Sheet } from '../record/schema'
import { elementOf } from './circuitBuilder'
import type { ReadingKey } from './list'

const HOT = 2
/** Elements as they are set at hot idle. */
const setAt = <K extends 'pipe' | 'bearing'>(sheet: Sheet, id: string, kind: K) => {
  const { engine, values, oil } = modelOf(sheet)
  const moment = namedStates(sheet)[HOT]
  engine.set(values, moment, oilAt(oil, moment.temperature))
  return elementOf(engine.plan, id, kind)
}
const build = (
  preset: string,
  change: Partial<Layout> = {},
  readings: Partial<Record<ReadingKey, number>> = {},
): Sheet => {
  const sheet = newSheet(preset, 'a', 'b')
  Object.assign(sheet.layout, change)
  for (const [key, value] of Object.entries(readings) as [string, number][])
    sheet.readings[key] = { value, source: 'measured' }
  return sheet
}
const at = (sheet: Sheet, state = HOT) => {
  const moment = namedStates(sheet)[state]
  const { elements, nodes, gauge } = circuitState(sheet, moment)
  const element = (id: string) => elements.find((each) => each.id === id)!
  const pressure = (id: string) => nodes.find((each) => each.id === id)!.pressure
  return { element, pressure, gauge: pressure(gauge), oil: oilAt(modelOf(sheet).oil, moment.temperature) }
}

describe('an external oil line', () => {
  const lined = (readings: Partial<Record<ReadingKey, number>> = {}, change: Partial<Layout> = {}) =>
    build('inline4', { oilLine: 'head', ...change }, readings)

  it('to the head feeds it beside its restrictor, and costs the gauge what it takes', () => {
    const [without, along] = [at(build('inline4')), at(lined())]
    expect(along.pressure('rockers')).toBeGreaterThan(1.2 * without.pressure('rockers'))
    expect(along.gauge).toBeLessThan(without.gauge)
    expect(along.element('oil line').flow).toBeGreaterThan(0)
    expect(along.element('oil line').flow).toBeCloseTo(along.element('oil line fittings').flow, 12)
  })
  it('loses in its tube what Hagen and Poiseuille say, by hand, with thick oil in a long thin one', () => {
    const { element, oil } = at(lined({ 'line.bore': 3e-3, 'line.length': 2, 'line.bends': 0, 'line.hole': 8e-3 }), 0)
    const { flow, loss } = element('oil line')
    const laminar = (128 * oil.viscosity * 2 * flow) / (Math.PI * 3e-3 ** 4)
    expect(loss / laminar).toBeGreaterThan(1)
    expect(loss / laminar).toBeLessThan(1.12)
  })
  it('loses in its fittings what two bolts do: four holes in row, areas by hand', () => {
    // Cross holes 2 × 2.5 mm, bore along 4 mm, twice: 1/A² = 2 (1/9.817² + 1/12.566²) mm⁻⁴, A = 5.470 mm².
    const { element, oil } = at(lined({ 'line.bore': 12e-3, 'line.length': 0.1 }), 3)
    const { flow, loss } = element('oil line fittings')
    const sharp = 0.5 * oil.density * (flow / (0.65 * 5.47e-6)) ** 2
    // Oil is not quite thin: the hole's law has some friction beside.
    expect(loss / sharp).toBeGreaterThan(0.98)
    expect(loss / sharp).toBeLessThan(1.6)
  })
  it('counts its bends and both turns, by hand: 1 + 3 · 0.9 + 2 · 1.5', () => {
    expect(setAt(lined({ 'line.bends': 3 }), 'oil line', 'pipe').k).toBeCloseTo(6.7, 12)
  })
  it('a free fitting in place of a harsh one passes more', () => {
    const flow = (hole: number) => at(lined({ 'line.hole': hole }), 3).element('oil line').flow
    expect(flow(4e-3)).toBeGreaterThan(1.1 * flow(1.5e-3))
  })
  it('takes its oil from the filter or the gallery, to a head or a turbo that is there, and no other', () => {
    const turbo = at(build('inline4', { turbo: true, oilLine: 'turbo', oilLineFrom: 'filter' }))
    expect(turbo.element('oil line fittings').from).toBe('filter outlet')
    expect(turbo.element('oil line').to).toBe('turbo')
    expect(turbo.element('turbo bearings').flow).toBeGreaterThan(
      at(build('inline4', { turbo: true })).element('turbo bearings').flow,
    )
    for (const [change, message] of [
      [{ oilLine: 'turbo' }, /no.*fitted/],
      [{ oilLine: 'head', rockerFeed: false }, /neither/],
    ] as const) {
      const parsed = Layout.safeParse({ ...newSheet('inline4', 'a', 'b').layout, ...change })
      expect(parsed.error?.issues.find(({ path }) => path[0] === 'oilLine')?.message).toMatch(message)
    }
  })
  it('left off lets oil out at its source: a number, and a fault by name', () => {
    const open = lined()
    open.inspections['passage.oilLine'] = { finding: 'left-out' }
    expect(stateReadings(open, 1).idleHot.pressure).toBeLessThan(0.8 * stateReadings(lined(), 1).idleHot.pressure)
  })
})

describe('a head with its cams above', () => {
  it('what goes in through its restrictor comes out at its cams and adjusters', () => {
    const { element } = at(build('v8dohc'))
    const out = [1, 2, 3, 4].reduce(
      (sum, cam) => sum + element(`head cam ${cam} film`).flow,
      element('lash adjusters').flow,
    )
    expect(out / element('head restrictor').flow).toBeCloseTo(1, 6)
  })
  it('turning carries out of five journals at half of the crank’s speed what Ocvirk says, by hand', () => {
    // (1 − 0.1 · 20/13) · 2π · 13 mm · 20 mm · 30 µm · 5.8333 rev/s · 0.6, five times: 0.7257 cm³/s.
    const film = { ...setAt(build('inline4dohc'), 'head cam 1 film', 'bearing') }
    expect(film.carried * 1e6).toBeCloseTo(0.7257, 3)
    const one = setAt(build('inline4dohc', { headCamJournals: 1 }), 'head cam 1 film', 'bearing')
    expect(film.conductance / one.conductance).toBeCloseTo(5, 9)
  })
  it('its adjusters leak as annuli do, by hand', () => {
    const { element, pressure, oil } = at(build('inline4dohc'))
    // 16 · 4 · 2.5 · π · 12 mm · (15 µm)³ / (12 μ · 8 mm) = 2.1206e-13 / μ.
    expect((element('lash adjusters').flow * oil.viscosity) / pressure('head')).toBeCloseTo(2.1206e-13, 16)
  })
  it('more cams take more; no adjusters take less; a smaller restrictor holds the gauge up', () => {
    const flow = (change: Partial<Layout>) => at(build('inline4dohc', change)).element('head restrictor').flow
    expect(flow({ headCams: 4 })).toBeGreaterThan(1.3 * flow({ headCams: 2 }))
    expect(flow({ lashAdjusters: 0 })).toBeLessThan(flow({}))
    expect(at(build('inline4dohc', {}, { 'head.restrictor': 1e-3 })).gauge).toBeGreaterThan(
      at(build('inline4dohc')).gauge,
    )
  })
})

describe('rods drilled to the pin', () => {
  it('leak at each pin what its bush lets out both ways, by hand, and the gauge says so', () => {
    const { element, pressure, oil, gauge } = at(build('inline6', { drilledRods: true }))
    // 2 · 2.5 · π · 22 mm · (10 µm)³ / (12 μ · 12 mm) = 2.3998e-15 / μ.
    for (let i = 1; i <= 6; i++)
      expect((element(`pin ${i} bush`).flow * oil.viscosity) / pressure(`pin ${i}`)).toBeCloseTo(2.3998e-15, 18)
    expect(gauge).toBeLessThan(at(build('inline6')).gauge)
  })
})

describe('layouts', () => {
  it('each is a layout, refuses nothing of its own, and its circuit solves at all four states', () => {
    for (const [preset, { layout }] of Object.entries(PRESETS)) {
      expect(Layout.safeParse({ preset, ...layout }).error, preset).toBeUndefined()
      const sheet = newSheet(preset, 'a', 'b')
      expect(checkSheet(sheet), preset).toEqual([])
      for (const { pressure } of Object.values(stateReadings(sheet, 1))) expect(pressure, preset).toBeGreaterThan(5e3)
    }
  })
  it('of a rotary it says what it cannot say, and computes no orbit', () => {
    const sheet = newSheet('rotary2', 'a', 'b')
    expect(modelLimits(sheet.layout)).toContain('rotary-load')
    expect(hasCycle(sheet.layout)).toBe(false)
    expect([...engineOrbits(sheet, { speed: 50, temperature: 90 })]).toEqual([])
    expect(modelLimits(newSheet('inline6', 'a', 'b').layout)).toEqual([])
  })
})
