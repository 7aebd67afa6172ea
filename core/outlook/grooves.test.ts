import { describe, expect, it } from 'vitest'
import { circuitAtState } from './circuitState'
import { DEMO_BUILDS } from '../../demo/make'
import { airShare, feedForPart } from '../bearing/feed'
import { adviseGroove } from '../bearing/shell'
import type { Sheet } from '../record/schema'
import { gaugePressure, modelOf } from './model'
import { reciprocatingMassOf } from '../parts/crank'
import { groovesCompared } from './grooves'
import { usualLoad } from './journalFilm'
import { rodGearOf } from './orbits'
import { namedStates } from './states'

const hot = (sheet: Sheet) => {
  const model = modelOf(sheet)
  model.engine.circuit.reset()
  return { gauge: gaugePressure(model, namedStates(sheet)[2]), film: model.engine.films.main }
}
const with360 = (change: (sheet: Sheet) => void) => {
  const sheet = DEMO_BUILDS.ottiline()
  change(sheet)
  return hot(sheet)
}

describe('grooves of the demo six', () => {
  it('all round leave less than half of the film and lower the gauge, however they were recorded', () => {
    const half = hot(DEMO_BUILDS.ottiline())
    const layout = with360((sheet) => (sheet.layout.mainGroove = 360))
    const read = with360((sheet) => {
      for (let i = 1; i <= 7; i++) sheet.readings[`main.${i}.grooveLower`] = { value: Math.PI, source: 'measured' }
    })
    expect(layout.film / half.film).toBeLessThan(0.5)
    expect(1e6 * layout.film).toBeGreaterThan(3)
    expect(1e6 * layout.film).toBeLessThan(5)
    expect(half.gauge - layout.gauge).toBeGreaterThan(0.15e5)
    expect(read.gauge / layout.gauge).toBeCloseTo(1, 6)
  })
  it('one main alone moves the reading by about its share, and a wide groove or a small hole each by their own', () => {
    const half = hot(DEMO_BUILDS.ottiline()).gauge
    const all = half - with360((sheet) => (sheet.layout.mainGroove = 360)).gauge
    const put = (field: string, value: number) =>
      half - with360((sheet) => (sheet.readings[`main.4.${field}`] = { value, source: 'measured' })).gauge
    expect(put('grooveLower', Math.PI) / all).toBeGreaterThan(0.08)
    expect(put('grooveLower', Math.PI) / all).toBeLessThan(0.25)
    // Narrower lands let more by; a hole of 1.5 mm holds up what goes in.
    expect(put('grooveWidth', 12e-3)).toBeGreaterThan(300)
    expect(put('shellHole', 1.5e-3)).toBeLessThan(-150)
    expect(put('grooveUpper', 0)).toBeLessThan(-1000)
  })
  it('side by side: less groove holds more pressure, none round the load more film, more feeds the rods longer and with less air', () => {
    const rows = groovesCompared(DEMO_BUILDS.ottiline(), ['15W-40', '20W-50'])
    expect(rows.map(({ arc, own }) => [arc, own])).toEqual([
      [0, false],
      [120, false],
      [180, true],
      [360, false],
    ])
    rows.slice(1).forEach((row, i) => {
      const before = rows[i]
      expect(row.duty).toBeGreaterThan(before.duty)
      row.with.forEach((each, oil) => {
        expect(each.idleHot.best).toBeLessThan(before.with[oil].idleHot.best)
        for (const { best, low, high } of [each.idleHot, each.film]) expect(low < best && best < high).toBe(true)
        // Up to half round the lower shell is whole: feed and heat move its film by a few hundredths.
        expect(each.film.best / before.with[oil].film.best).toBeLessThan(row.arc === 360 ? 0.5 : 1.05)
        expect(each.air).toBeLessThan(before.with[oil].air)
      })
      expect(row.with[1].idleHot.best).toBeGreaterThan(row.with[0].idleHot.best)
    })
    expect(rows[3].with[0]).toMatchObject({ air: 0 })
  })
  it('shells that are recorded stand first, as they are', () => {
    const sheet = DEMO_BUILDS.ottiline()
    sheet.readings['main.1.grooveUpper'] = { value: 2.4, source: 'measured' }
    const rows = groovesCompared(sheet, ['15W-40'])
    expect(rows).toHaveLength(5)
    expect(rows[0]).toMatchObject({ arc: undefined, own: true })
    expect(rows[0].with[0].idleHot.best).toBeGreaterThan(rows[3].with[0].idleHot.best)
  })
})
describe('a rod that is fed for a part of the turn', () => {
  /** G and what turning carries, over the whole turn. */
  const fed = (duty: number, head: number) => {
    const film = { conductance: 1e-11, carried: 2e-6 }
    feedForPart(film, duty, head)
    return film
  }
  const air = (duty: number, pressure: number, head: number) => {
    const { conductance, carried } = fed(duty, head)
    return airShare(duty, pressure, head, conductance, carried)
  }
  it('takes what a march through the turn gives: fed, drained outward, filled again', () => {
    const [pressure, head, turn, steps] = [3e5, 1e5, 0.02, 10_000]
    for (const duty of [0.1, 0.5, 0.9]) {
      let [out, empty, air] = [0, 0, 0]
      for (let k = 0; k < steps; k++) {
        const on = k < duty * steps
        const flow = (on ? 1e-11 * (pressure + head) + 2e-6 : 1e-11 * head) * (turn / steps)
        // What drains is missing until the groove comes by again, and is then made up for out of the main.
        if (!on) [empty, air] = [empty + flow, air + flow]
        else [out, empty] = [out + flow + empty, 0]
      }
      const { conductance, carried } = fed(duty, head)
      expect((conductance * (pressure + head) + carried) / ((out + empty) / turn)).toBeCloseTo(1, 6)
      expect(airShare(duty, pressure, head, conductance, carried)).toBeCloseTo(air / (out + empty), 6)
    }
  })
  it('all round it is what it was; never fed it gets only what it loses', () => {
    expect(fed(1, 1e5)).toEqual({ conductance: 1e-11, carried: 2e-6 })
    expect(fed(0, 1e5)).toEqual({ conductance: 0, carried: 1e-6 })
    expect(fed(0.5, -1e5).carried).toBe(1e-6)
  })
  it('carries air by hand: half fed, 3 bar, 1 of spin, as much carried as 2 bar press: 0.5 · 1 / (0.5 · (4 + 2) + 0.5 · 1)', () => {
    expect(air(0.5, 3e5, 1e5)).toBeCloseTo(1 / 7, 9)
    expect(air(1, 3e5, 1e5)).toBe(0)
    expect(air(0.5, 3e5, -1e5)).toBe(0)
    expect(air(0, 3e5, 1e5)).toBe(1)
    // More pressure, less air; more speed, more.
    expect(air(0.5, 5e5, 1e5)).toBeLessThan(1 / 7)
    expect(air(0.5, 3e5, 2e5)).toBeGreaterThan(1 / 7)
  })
  it('takes less of the demo six’s oil, and lets the gauge read more, than one drilled through', () => {
    const of = (drilling: string) => {
      const sheet = DEMO_BUILDS.ottiline()
      sheet.choices['crank.drilling'] = drilling
      const { nodes, gauge, elements } = circuitAtState(sheet, 2)
      const rods = elements.filter(({ id }) => /^rod \d film$/.test(id)).reduce((sum, { share }) => sum + share, 0)
      return { gauge: nodes.find(({ id }) => id === gauge)!.pressure, rods }
    }
    const [single, through] = [of('single'), of('through')]
    expect(single.gauge / through.gauge).toBeGreaterThan(1.02)
    expect(single.rods / through.rods).toBeLessThan(0.7)
  })
})
it('a full groove is advised where its film keeps the surfaces apart', () => {
  expect(adviseGroove(20e-6, 7e-6, 0.5e-6).arc).toBe(360)
  const half = adviseGroove(12e-6, 5e-6, 0.5e-6)
  expect(half.arc).toBe(180)
  expect(half).toMatchObject({ full: 5e-6, half: 12e-6 })
})

it('a mass that was weighed moves films, circuit and orbit alike; one that was not goes by the bore', () => {
  const sheet = DEMO_BUILDS.ottiline()
  const working = (of: Sheet) => {
    const model = modelOf(of)
    model.engine.circuit.reset()
    gaugePressure(model, namedStates(of)[3])
    return model.engine.films.rod
  }
  const heavy = structuredClone(sheet)
  heavy.readings['size.reciprocatingMass'] = { value: 2 * reciprocatingMassOf(sheet), source: 'measured' }
  expect(reciprocatingMassOf(sheet)).toBeCloseTo(1100 * sheet.readings['size.cylinderBore'].value ** 3, 9)
  expect(reciprocatingMassOf(heavy)).toBeCloseTo(2 * reciprocatingMassOf(sheet), 12)
  expect(working(heavy)).toBeLessThan(0.9 * working(sheet))
  expect(usualLoad(heavy, 'rod', 50)).toBeGreaterThan(1.3 * usualLoad(sheet, 'rod', 50))
  expect(rodGearOf(heavy).reciprocatingMass).toBe(heavy.readings['size.reciprocatingMass'].value)
})
