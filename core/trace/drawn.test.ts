import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { prepareEngine } from '../engine/engine'
import { oilAt } from '../oil/oil'
import { modelOf } from '../outlook/model'
import { namedStates } from '../outlook/states'
import { prepareFilling } from '../prime/filling'
import { primeSetUpOf } from '../prime/setUp'
import { withAir } from './drawn'

const sheet = DEMO_BUILDS.ottiline()
const model = modelOf(sheet)
const idle = namedStates(sheet)[2]
const oil = oilAt(model.oil, idle.temperature)
const closed = (hole: number) => withAir(prepareEngine(sheet.layout), structuredClone(model.values), hole, idle, oil)

/** The same marched in time by the filling, until the air has gone through. */
function marched(hole: number): number {
  const { filterVolume, antiDrain } = primeSetUpOf(sheet)
  const filling = prepareFilling({
    layout: sheet.layout,
    values: structuredClone(model.values),
    oil,
    temperature: idle.temperature,
    packing: 'wet',
    filter: 1,
    filterVolume,
    antiDrain,
    airLeak: hole,
    filled: Object.fromEntries(['pump inlet', 'pump outlet', 'filter outlet'].map((node) => [node, 1])),
  })
  let sum = 0
  for (let i = 0; i < 80; i++) {
    filling.advance(0.25, { pump: idle.speed * model.values.pump.driveRatio, crank: idle.speed })
    if (i >= 56) sum += filling.gauge / 24
  }
  return sum
}

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
