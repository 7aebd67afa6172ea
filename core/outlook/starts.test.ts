import { expect, it } from 'vitest'
import { DEMO_BUILDS } from '../../demo/make'
import { oilAt } from '../oil/oil'
import { drawInputs, sampleReadings } from './band'
import { gaugePressure, modelOf } from './model'
import { prepareStarts } from './starts'
import { namedStates } from './states'

const SAMPLES = 300

it.each([0, 1, 2, 3])(
  'a drawn engine begun along the straight line reads what it reads solved afresh, state %d',
  (state) => {
    const model = modelOf(DEMO_BUILDS.ottiline())
    const moment = namedStates(model.sheet)[state]
    const draws = drawInputs(model, SAMPLES)
    const [[{ drawn }]] = sampleReadings(model, [moment], SAMPLES, [], draws)
    const { uncertain, deviates } = draws
    for (const s of [0, 17, 150, 299]) {
      uncertain.forEach((input, i) =>
        input.put(
          model.values,
          Math.max(
            input.value > 0 ? 0.05 * input.value : -Infinity,
            input.value + deviates[s * uncertain.length + i] * input.sigma,
          ),
        ),
      )
      model.engine.circuit.reset()
      expect(drawn[s] / gaugePressure(model, moment)).toBeCloseTo(1, 4)
    }
  },
)

it('begun there it takes fewer rounds than from its neighbour', () => {
  const model = modelOf(DEMO_BUILDS.ottiline())
  const moment = namedStates(model.sheet)[2]
  const { uncertain, deviates } = drawInputs(model, SAMPLES)
  const { engine, values } = model
  const oil = oilAt(model.oil, moment.temperature)
  const rounds = () => {
    engine.set(values, moment, oil)
    return engine.circuit.solve({ density: oil.density, viscosity: oil.viscosity * values.model.viscosity }, 1e-5)
      .iterations
  }
  const all = (begin?: (deviates: Float64Array, s: number) => void) => {
    let sum = 0
    for (let s = 0; s < SAMPLES; s++) {
      uncertain.forEach((input, i) => input.put(values, input.value + deviates[s * uncertain.length + i] * input.sigma))
      begin?.(deviates, s)
      sum += rounds()
    }
    for (const input of uncertain) input.put(values, input.value)
    return sum
  }
  const fromNeighbour = all()
  gaugePressure(model, moment)
  expect(all(prepareStarts(model, uncertain, rounds))).toBeLessThan(0.8 * fromNeighbour)
})
