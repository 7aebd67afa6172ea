import type { Sheet } from '../record/schema'
import { requireValue } from '../engine/values'
import { oilAt } from '../oil/oil'
import { shaftPower } from '../pump/power'
import { liftAt } from '../relief/valve'
import { type Model, modelOf } from './model'
import { evenly, meanPressureAt, speedsOver } from './states'

/** Where the oil goes, by kind. */
export const FLOW_KINDS = ['mains', 'rods', 'cam', 'lifters', 'rockers', 'jets', 'turbo', 'relief', 'lost'] as const
export type FlowKind = (typeof FLOW_KINDS)[number]

/** The outlook over speed and oil temperature; every array is by temperature, then speed. */
export interface OutlookMap {
  /** rev/s */
  speeds: number[]
  /** °C */
  temperatures: number[]
  /** Gauge-port pressure, Pa. */
  pressure: Float64Array
  /** Relief valve's lift, m, and the pump's shaft power, W. */
  lift: Float64Array
  power: Float64Array
  /** Thinnest film of mains and rods under their mean load, m. */
  mainFilm: Float64Array
  rodFilm: Float64Array
  /** Flow of each kind, m³/s. */
  flows: Record<FlowKind, Float64Array>
}

/** Balance asked of each place of a map, over what passes: a picture is not read to the tenth figure. */
const MAP_AIM = 1e-6

/** Speeds by temperatures of the usual map. */
export const MAP_SIZE: [number, number] = [40, 32]

/** Elements by which oil leaves the circuit, by kind, as their places in it. */
export function flowGroups({ engine: { plan, circuit } }: Model): Record<FlowKind, number[]> {
  const groups = Object.fromEntries(FLOW_KINDS.map((kind) => [kind, [] as number[]])) as Record<FlowKind, number[]>
  circuit.network.elements.forEach(({ id }, place) => {
    const kind = plan.about.get(id)?.kind
    if (kind) groups[kind].push(place)
  })
  return groups
}

/**
 * The outlook over a grid of speed, from cranking to the maximum, and oil temperature, from the coldest start to 25 K over hot oil: row by
 * row, each solution beginning where its neighbour ended.
 */
export function outlookMap(sheet: Sheet, [across, down] = MAP_SIZE): OutlookMap {
  const model = modelOf(sheet)
  const { engine, values } = model
  const speeds = speedsOver(sheet, across)
  const temperatures = evenly(
    requireValue(sheet, 'brief.coldStart').value,
    requireValue(sheet, 'brief.hotOil').value + 25,
    down,
  )
  const loads = speeds.map((speed) => meanPressureAt(sheet, speed))
  const blank = () => new Float64Array(across * down)
  const map: OutlookMap = {
    speeds,
    temperatures,
    pressure: blank(),
    lift: blank(),
    power: blank(),
    mainFilm: blank(),
    rodFilm: blank(),
    flows: Object.fromEntries(FLOW_KINDS.map((kind) => [kind, blank()])) as OutlookMap['flows'],
  }
  const groups = flowGroups(model)
  const { pressures, flows } = engine.circuit
  const inlet = engine.circuit.indexOf('pump inlet')
  const outlet = engine.circuit.indexOf('pump outlet')
  const running = { speed: 0, temperature: 0, meanPressure: 0 }
  engine.circuit.reset()
  const [last, before, first] = [pressures.slice(), pressures.slice(), pressures.slice()]
  temperatures.forEach((temperature, row) => {
    const oil = oilAt(model.oil, temperature)
    running.temperature = temperature
    for (let step = 0; step < across; step++) {
      // There and back again, so that the next row begins beside this one's end.
      const column = row % 2 === 0 ? step : across - 1 - step
      running.speed = speeds[column]
      running.meanPressure = loads[column]
      const at = row * across + column
      // Begun where the last solutions point to: by a straight line through two, then by a parabola through three.
      first.set(before)
      before.set(last)
      last.set(pressures)
      for (let n = 0; step > 1 && n < pressures.length; n++)
        pressures[n] += step > 2 ? 2 * pressures[n] - 3 * before[n] + first[n] : pressures[n] - before[n]
      map.pressure[at] = engine.gauge(values, running, oil, MAP_AIM)
      map.lift[at] = liftAt(values.relief, pressures[outlet])
      map.power[at] = shaftPower(
        pressures[outlet] - pressures[inlet],
        values.pump,
        running.speed * values.pump.driveRatio,
        oil.filmViscosity * values.model.viscosity,
      )
      map.mainFilm[at] = engine.films.main
      map.rodFilm[at] = engine.films.rod
      for (const kind of FLOW_KINDS) {
        let sum = 0
        for (const e of groups[kind]) sum += flows[e]
        map.flows[kind][at] = sum
      }
    }
  })
  return map
}
