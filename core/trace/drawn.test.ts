import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { prepareEngine } from '../engine/engine'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { marchWithAir } from '../prime/airDrawn'
import { withAir } from './drawn'

const sheet = DEMO_BUILDS.ottiline()
const model = modelOf(sheet)
const idle = namedStates(sheet)[2]
const oil = oilAt(model.oil, idle.temperature)
const closed = (hole: number) => withAir(prepareEngine(sheet.layout), structuredClone(model.values), hole, idle, oil)

/** The same marched in time by the filling, until the air has gone through. */
const marched = (airLeak: number) =>
  marchWithAir(sheet, structuredClone(model.values), oil, idle, { airLeak, seconds: 20 }).pressure

it('no hole leaves the pressure as it is; the wider it is the less is left, and a wide one leaves nothing', () => {
  const sound = prepareEngine(sheet.layout).gauge(structuredClone(model.values), idle, oil)
  expect(closed(1e-6) / sound).toBeCloseTo(1, 3)
  const holes = [0.3e-3, 0.6e-3, 1e-3, 1.5e-3, 2.5e-3].map(closed)
  expect(holes).toEqual([...holes].sort((a, b) => b - a))
  expect(holes.at(-1)! / sound).toBeLessThan(0.1)
})

it('ends where the filling’s march ends: a small hole leaves most of it, a wide one next to nothing', () => {
  const sound = prepareEngine(sheet.layout).gauge(structuredClone(model.values), idle, oil)
  for (const hole of [0.3e-3, 1.2e-3, 2.5e-3]) {
    const [here, there] = [closed(hole) / sound, marched(hole) / sound]
    expect(Math.abs(here - there), `${hole}: ${here} ${there}`).toBeLessThan(0.2)
  }
})
