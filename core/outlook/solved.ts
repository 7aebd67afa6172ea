import type { BriefField } from '../parts/list'
import { elementOf } from '../parts/circuitBuilder'
import { ruleOf } from '../house/limits'
import { usableSheet } from '../engine/usableSheet'
import { recorded as recordedReading, requireValue } from '../engine/values'
import { STARVES } from '../pump/fill'
import type { Sheet } from '../record/schema'
import { type Band, bandOf, drawInputs, type Ranged, rangeOf, sampleReadings, type Share, varianceShares } from './band'
import { gaugePressure, type Model, modelOf } from './model'
import { momentAt, namedStates } from './states'
import { steadied } from './steadied'
import { suctionOf } from './suction'

/** Samples behind a band shown while typing, and one that is quoted. */
export const QUICK_SAMPLES = 60
export const FULL_SAMPLES = 1000

/** What the circuit gives for a sheet, before anything of it is judged: no house rule moves it. */
export interface Solved {
  samples: number
  bands: Band[]
  shares: Share[]
  suction: Ranged[]
  outlets: number[]
  /** Thinnest films of mains and rods, m. */
  films: { main: number; rod: number }[]
  cans: Band[]
  coolers: Band[]
  starvesFrom?: number
}

/** Solves the circuit of a sheet at its four states, with every input's uncertainty: what takes the time of an outlook. */
export function solvedOutlook(recorded: Sheet, samples = QUICK_SAMPLES): Solved {
  const { sheet } = usableSheet(recorded)
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const outlet = (each: Model) => each.engine.circuit.pressures[each.engine.circuit.indexOf('pump outlet')]
  const film = (set: 'main' | 'rod') => (each: Model) => each.engine.films[set]
  const draws = drawInputs(model, samples)
  const sampled = sampleReadings(
    model,
    states,
    samples,
    [
      suctionOf,
      outlet,
      film('main'),
      film('rod'),
      vesselOf(sheet, 'filter')?.read ?? outlet,
      vesselOf(sheet, 'cooler')?.read ?? outlet,
    ],
    draws,
  )
  const shares = varianceShares(
    model,
    states.find((state) => state.name === 'idleHot')!,
  )
  const bands = steadied(
    sampled.map(([gauge]) => gauge),
    draws,
    new Map(shares.map(({ key, effect }) => [key, effect])),
  )
  return {
    samples,
    bands,
    shares,
    suction: sampled.map(([, suction]) => rangeOf(suction)),
    outlets: sampled.map(([, , behind]) => Math.max(0, behind.best)),
    films: sampled.map(([, , , main, rod]) => ({ main: main.best, rod: rod.best })),
    cans: sampled.map(([, , , , , can]) => bandOf(can)),
    coolers: sampled.map(([, , , , , , cooler]) => bandOf(cooler)),
    starvesFrom: starvesFrom(model),
  }
}

/** The filter can or cooler of a sheet that has one: how its pressure is read of a solved circuit, and the most that it should bear, by its maker or the house, Pa. */
export function vesselOf(
  sheet: Sheet,
  name: 'filter' | 'cooler',
): { read: (model: Model) => number; most: number } | undefined {
  if (!sheet.layout[name]) return undefined
  return {
    read: ({ engine: { circuit, plan } }) => circuit.pressures[circuit.indexOf(elementOf(plan, name, 'linear').from)],
    most: recordedReading(sheet, `${name}.rating`)?.value ?? ruleOf(sheet, `ceiling.${name}`),
  }
}

/** Speed from which on the pump's inlet draws below what oil follows, with hot oil; undefined where it does not up to the maximum. */
function starvesFrom(model: Model): number | undefined {
  const { sheet } = model
  const of = (key: BriefField) => requireValue(sheet, `brief.${key}`).value
  const starves = (speed: number) => {
    gaugePressure(model, momentAt(sheet, speed, of('hotOil')), 1e-4)
    return suctionOf(model) > STARVES
  }
  let [fine, starving] = [of('idleSpeed'), of('maximumSpeed')]
  if (!starves(starving)) return undefined
  for (let i = 0; i < 10; i++) {
    const middle = 0.5 * (fine + starving)
    if (starves(middle)) starving = middle
    else fine = middle
  }
  return starving
}
