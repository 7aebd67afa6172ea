import type { Running } from '../engine/engine'
import type { Sheet } from '../record/schema'
import type { Station } from '../engine/quantities'
import { standInOf } from '../engine/standIn'
import type { Source } from '../engine/values'
import { passagesOf } from '../parts/passage'
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
  /** What it is, in the trade's words. */
  words: string
  /** Where it is set, by which reading, and where that came from; nothing for passages that nobody measures. */
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
  const delivered = flows[network.elements.indexOf(plan.pump)]
  return {
    gauge: plan.gauge,
    galleryEnd: plan.galleryEnd,
    delivered,
    nodes: network.nodes.map(({ id }) => ({ id, pressure: id === 'sump' ? 0 : pressureAt(id) })),
    elements: network.elements.map(({ id, from, to }, e) => {
      const pressureOf = (node: string) => (node === 'sump' ? 0 : pressureAt(node))
      return {
        id,
        from,
        to,
        flow: flows[e],
        loss: pressureOf(from) - pressureOf(to),
        share: delivered > 0 ? flows[e] / delivered : 0,
        ...aboutElement(sheet, id),
      }
    }),
  }
}

/** The same at one of the four states, by its place among them. */
export function circuitAtState(sheet: Sheet, index: number): CircuitState {
  return circuitState(sheet, namedStates(sheet)[index])
}

const FIXED: Record<string, [words: string, station?: Station, reading?: string]> = {
  pickup: ['Pickup and tube', 'pickup', 'pickup.tubeDiameter'],
  pump: ['Pump', 'pump', 'pump.displacement'],
  relief: ['Relief valve', 'relief', 'relief.springRate'],
  'gallery relief': ['Relief valve, gallery end', 'relief', 'relief2.springRate'],
  cooler: ['Cooler', 'passages', 'passage.coolerBypass'],
  'cooler bypass': ['Cooler’s bypass valve', 'passages', 'passage.coolerBypass'],
  filter: ['Filter', 'passages', 'passage.filterLoss'],
  'filter bypass': ['Filter’s bypass valve', 'passages', 'passage.filterBypass'],
  feed: ['From the filter to the gallery'],
  lifters: ['Lifters'],
  'rocker restrictor': ['Rocker feed restrictor', 'passages', 'passage.rockerRestrictor'],
  'rocker bushes': ['Rockers'],
  'timing jet': ['Timing jet', 'passages', 'passage.timingJet'],
  'turbo restrictor': ['Turbo feed restrictor', 'passages', 'passage.turboFeed'],
  'turbo bearings': ['Turbo'],
  tensioner: ['Chain tensioner', 'passages', 'passage.tensioner'],
}

function aboutElement(sheet: Sheet, id: string): Pick<DrawnElement, 'words' | 'station' | 'reading' | 'source'> {
  const [words, station, reading] = FIXED[id] ?? namedElement(sheet, id)
  if (!reading) return { words, station }
  return {
    words,
    station,
    reading,
    source:
      reading in sheet.readings
        ? sheet.readings[reading].source
        : standInOf(sheet, reading)?.words.startsWith('computed')
          ? 'computed'
          : 'layout',
  }
}

function namedElement(sheet: Sheet, id: string): [words: string, station?: Station, reading?: string] {
  const leftOut = passagesOf(sheet.layout).find(({ key }) => id === `${key} left out`)
  if (leftOut) return [`${leftOut.label}, left out`, 'passages']
  const [, kind, number] = /^(main|rod|cam) (\d+) film$/.exec(id) ?? []
  if (kind === 'cam') return [`Cam bearing ${number}`, 'bearings', 'cam.clearance']
  if (kind)
    return [
      `${kind === 'main' ? 'Main' : 'Rod'} ${number}`,
      'bearings',
      `${kind}.${number}.${`${kind}.${number}.clearance` in sheet.readings ? 'clearance' : 'bore'}`,
    ]
  if (id.startsWith('piston jets')) return ['Piston jets', 'passages', 'passage.pistonJet']
  const drilling = /^(drilling|crank drilling|cam drilling|gallery) (.+)$/.exec(id)
  if (drilling)
    return [
      {
        drilling: `Drilling to main ${drilling[2]}`,
        'crank drilling': `Crank drilling to rod ${drilling[2]}`,
        'cam drilling': `Drilling to cam bearing ${drilling[2]}`,
        gallery: `Gallery, ${drilling[2]}`,
      }[drilling[1]]!,
    ]
  return [id]
}
