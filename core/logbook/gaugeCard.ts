import equal from 'fast-deep-equal'
import { ceilingOf } from '../house/limits'
import { type Band, pressureBands } from '../outlook/band'
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
  /** Under it something is not as it was: lift the foot and find out. Cold it stands over: lift the foot above it. */
  lift: number
  /** Under it stop the engine at once; cold oil has none. */
  stop?: number
  grounds: CardGrounds
}

/**
 * What an expected reading stands on: the gauge as it was read here with this oil; as it was read with another, by the same share of what
 * was predicted; a prediction from what was measured, from the layout's defaults, or of a record that the gauge departs from elsewhere;
 * nothing that can be computed.
 */
export type CardGrounds = 'read' | 'read-with-other-oil' | 'predicted' | 'assumed' | 'doubted' | 'void'

/** Samples behind the band cold at speed. */
const SAMPLES = 300

/**
 * The numbers of an owner's gauge card, for the running oil: what the gauge should read at idle and at speed, cold and hot. What was
 * read with it stands above what is predicted, with the prediction's relative spread. The foot is lifted where it reads under that spread, or
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
    const reading = readingOf(sheet, of, voided)
    const { least } = of.target
    // An engine that reads under what is wanted has its foot lifted there at the latest.
    return { ...reading, name, lift: Math.max(reading.low, 0.5 * (least + reading.expected), least), stop: least }
  }
  const value = (key: 'brief.workingSpeed' | 'brief.coldStart') => requireValue(sheet, key).value
  const [speed, temperature] = [value('brief.workingSpeed'), value('brief.coldStart')]
  const [band] = pressureBands(modelOf(sheet), [momentAt(sheet, speed, temperature)], SAMPLES)
  const [idle, work] = [state('idleCold'), state('workingHot')]
  return [
    cold('idleCold', readingOf(sheet, idle, voided)),
    cold('workingCold', {
      speed,
      temperature,
      expected: Math.max(0, band.pressure),
      low: Math.max(0, band.low),
      high: Math.max(0, band.high),
      // Nobody reads it there: what governs is what governs cold and what governs at speed.
      grounds: predictedBy(
        {
          pumpable: idle.pumpable,
          missing: [...idle.missing, ...work.missing],
          doubted: outlook.states.some(({ doubted, measured }) => doubted || departs(measured)),
        },
        voided,
      ),
    }),
    hot('idleHot', state('idleHot')),
    hot('workingHot', work),
  ]
}

/** Where an engine is expected to read under what is wanted of it: it is not to be driven until that is found and mended. */
export const readsUnder = (card: readonly CardReading[]): CardReading[] =>
  card.filter(({ stop, expected, grounds }) => grounds !== 'void' && stop !== undefined && expected < stop)

const departs = (measured: StateOutlook['measured']) => measured !== undefined && measured.prediction !== 'within'

function predictedBy(
  { pumpable, missing, doubted }: Pick<StateOutlook, 'pumpable' | 'missing' | 'doubted'>,
  voided: boolean,
): CardGrounds {
  if (voided || !pumpable) return 'void'
  if (doubted) return 'doubted'
  return missing.length > 0 ? 'assumed' : 'predicted'
}

/** What is expected at a state of an engine with its running oil: what the gauge read there, else the prediction. */
function readingOf(sheet: Sheet, state: StateOutlook, voided: boolean): Omit<CardReading, 'name' | 'lift' | 'stop'> {
  const { speed, temperature, measured } = state
  const shared = ({ pressure, low, high }: Band, share: number) => ({
    expected: Math.max(0, pressure * share),
    low: Math.max(0, low * share),
    high: Math.max(0, high * share),
  })
  if (!measured) return { speed, temperature, ...shared(state, 1), grounds: predictedBy(state, voided) }
  const share = measured.expected.pressure > 0 ? measured.reading / measured.expected.pressure : 1
  return measured.oil && !equal(measured.oil, sheet.oil)
    ? { speed, temperature, ...shared(state, share), grounds: 'read-with-other-oil' }
    : {
        speed: measured.speed,
        temperature: measured.temperature,
        ...shared(measured.expected, share),
        expected: measured.reading,
        grounds: 'read',
      }
}
