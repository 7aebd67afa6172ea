import { ceilingOf } from '../house/limits'
import { pressureBands } from '../outlook/band'
import { modelOf } from '../outlook/model'
import type { Outlook, StateOutlook } from '../outlook/outlook'
import { momentAt } from '../outlook/states'
import { requireValue } from '../engine/values'
import { filledFor } from '../record/fill'
import type { Sheet } from '../record/schema'

/** What an owner's gauge should read at one state, Pa. */
export interface CardReading {
  name: 'idleCold' | 'workingCold' | 'idleHot' | 'workingHot'
  /** rev/s */
  speed: number
  /** °C */
  temperature: number
  expected: number
  low: number
  high: number
  /** The gauge was read here: what is expected is what it read. */
  read: boolean
  /** Under it something is not as it was: lift the foot and find out. Cold it stands over: lift the foot above it. */
  lift: number
  /** Under it stop the engine at once; cold oil has none. */
  stop?: number
  /** What it stands on: readings of what governs here, the layout's defaults, or nothing that can be computed. */
  grounds: 'stands' | 'assumed' | 'void'
}

/** Samples behind the band cold at speed. */
const SAMPLES = 300

/**
 * The numbers of an owner's gauge card, for the running oil: what the gauge should read at idle and at speed, cold and hot. What was
 * read stands above what is predicted, with the prediction's relative spread. The foot is lifted where it reads under that spread, or
 * under the middle between what is expected and what is wanted at least, where the spread reaches under that; under what is
 * wanted at least the engine is stopped (Uldo's own rule).
 *
 * @param outlook of the same sheet
 */
export function cardReadings(recorded: Sheet, outlook: Outlook): CardReading[] {
  const sheet = filledFor(recorded, 'running')
  const voided = outlook.voids.length > 0
  const state = (name: StateOutlook['name']) => outlook.states.find((each) => each.name === name)!
  const cold = (name: CardReading['name'], of: Omit<CardReading, 'name' | 'lift'>): CardReading => ({
    ...of,
    name,
    lift: ceilingOf(sheet, 'idleCold'),
  })
  const hot = (name: CardReading['name'], of: StateOutlook): CardReading => {
    const reading = readingOf(of, voided)
    const { least } = of.target
    // An engine that reads under what is wanted has its foot lifted there at the latest.
    return { ...reading, name, lift: Math.max(reading.low, 0.5 * (least + reading.expected), least), stop: least }
  }
  const value = (key: 'brief.workingSpeed' | 'brief.coldStart') => requireValue(sheet, key).value
  const [speed, temperature] = [value('brief.workingSpeed'), value('brief.coldStart')]
  const [band] = pressureBands(modelOf(sheet), [momentAt(sheet, speed, temperature)], SAMPLES)
  const assumed = [state('idleCold'), state('workingHot')].some(({ missing }) => missing.length > 0)
  return [
    cold('idleCold', readingOf(state('idleCold'), voided)),
    cold('workingCold', {
      speed,
      temperature,
      expected: Math.max(0, band.pressure),
      low: Math.max(0, band.low),
      high: Math.max(0, band.high),
      read: false,
      grounds: voided ? 'void' : assumed ? 'assumed' : 'stands',
    }),
    hot('idleHot', state('idleHot')),
    hot('workingHot', state('workingHot')),
  ]
}

/** Where an engine is expected to read under what is wanted of it: it is not to be driven until that is found and mended. */
export const readsUnder = (card: readonly CardReading[]): CardReading[] =>
  card.filter(({ stop, expected, grounds }) => grounds !== 'void' && stop !== undefined && expected < stop)

/** What is expected at a state: what the gauge read there, else the prediction. */
function readingOf(
  { speed, temperature, pressure, low, high, measured, missing, pumpable }: StateOutlook,
  voided: boolean,
): Omit<CardReading, 'name' | 'lift' | 'stop'> {
  const expected = measured?.reading ?? Math.max(0, pressure)
  const share = pressure > 0 ? expected / pressure : 1
  return {
    speed: measured?.speed ?? speed,
    temperature: measured?.temperature ?? temperature,
    expected,
    low: Math.max(0, low * share),
    high: Math.max(0, high * share),
    read: measured !== undefined,
    grounds: measured ? 'stands' : voided || !pumpable ? 'void' : missing.length > 0 ? 'assumed' : 'stands',
  }
}
