import type { About } from '../parts/circuitBuilder'
import type { ReadingKey } from '../parts/list'
import type { Station } from '../record/quantity'
import type { Source } from '../record/sourced'
import type { Running } from '../engine/engine'
import type { Sheet } from '../record/schema'
import { standInOf } from '../engine/standIn'
import { gaugePressure, modelOf } from './model'
import { namedStates } from './states'

/** One element of the circuit as it works at a moment. */
export interface DrawnElement {
  id: string
  from: string
  to: string
  /** m³/s, from its start to its end. */
  flow: number
  /** Pressure lost along it, Pa; a pump gains. */
  loss: number
  /** Of the pump's flow. */
  share: number
  /** What it is, in the trade's words, and in a word or two for a drawing. */
  words: string
  short?: string
  /** Where it is set, by which reading, and where that came from; undefined for passages that nobody measures. */
  station?: Station
  reading?: string
  source?: Source
}

export interface CircuitState {
  /** Gauge pressure at each node, Pa. */
  nodes: { id: string; pressure: number }[]
  elements: DrawnElement[]
  /** Node that the gauge stands at, and the last of the gallery. */
  gauge: string
  galleryEnd: string
  /** The pump's flow, m³/s. */
  delivered: number
}

/** The whole circuit of a sheet at a moment: what every element passes and loses, and where its numbers came from. */
export function circuitState(sheet: Sheet, moment: Running): CircuitState {
  const model = modelOf(sheet)
  const { circuit, plan } = model.engine
  circuit.reset()
  gaugePressure(model, moment)
  const { network, pressures, flows } = circuit
  const pressureAt = (id: string) => pressures[circuit.indexOf(id)]
  const delivered = flows[network.elements.findIndex(({ id }) => id === 'pump')]
  return {
    gauge: plan.gauge,
    galleryEnd: plan.galleryEnd,
    delivered,
    nodes: network.nodes.map(({ id }) => ({ id, pressure: pressureAt(id) })),
    elements: network.elements.map(({ id, from, to }, e) => {
      return {
        id,
        from,
        to,
        flow: flows[e],
        loss: pressureAt(from) - pressureAt(to),
        share: delivered > 0 ? flows[e] / delivered : 0,
        ...aboutElement(sheet, plan.about.get(id)),
      }
    }),
  }
}

/** The same at one of the four states, by its place among them. */
export function circuitAtState(sheet: Sheet, index: number): CircuitState {
  return circuitState(sheet, namedStates(sheet)[index])
}

/** What an element is, and where its numbers came from. */
function aboutElement(
  sheet: Sheet,
  about?: About,
): Pick<DrawnElement, 'words' | 'short' | 'station' | 'reading' | 'source'> {
  const { words = '', short, station, readings = [] } = about ?? {}
  const reading = readings.find((key) => key in sheet.readings) ?? readings[0]
  if (reading === undefined) return { words, short, station }
  const computed = standInOf(sheet, reading as ReadingKey)?.from ?? 'layout'
  const source = sheet.readings[reading]?.source ?? (computed === 'layout' ? 'layout' : 'computed')
  return { words, short, station, reading, source }
}
