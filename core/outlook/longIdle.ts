import { ruleOf } from '../house/limits'
import { judge, type Verdict } from '../quantity/verdict'
import { recorded, requireValue } from '../engine/values'
import type { Layout, Sheet } from '../record/schema'
import { type Band, pressureBands } from './band'
import { modelOf } from './model'
import { outlookOf, targetAt } from './outlook'
import { momentAt } from './states'

/** What idling for hours comes to. */
export interface LongIdle {
  /** Hours of it in a day, s, and the oil then, °C, with whether that was read. */
  hours: number
  temperature: number
  read: boolean
  /** What was read at hot idle, Pa, where it was: what follows then goes by that, in the model's proportions. */
  seen?: number
  /** Gauge then, and with rotors a tenth longer, Pa. */
  now: Band
  longer: Band
  /** Least that is wanted of an idling engine, Pa, and the word on it. */
  least: number
  verdict: Verdict
  /** What rides on the cams. */
  followers: Layout['followers']
  /** Whether it idles so long in a day that what rides on the cams wears by it. */
  often: boolean
}

/** From how much idling in a day on followers and rollers feel it, s. */
const OFTEN = 2 * 3600

/** Gauge at hot idle once it has idled for hours: the oil has had time to get as hot as it ever does. */
export function longIdle(sheet: Sheet, samples = 120): LongIdle {
  const of = recorded(sheet, 'brief.idleOil')?.value
  const temperature = of ?? requireValue(sheet, 'brief.hotOil').value
  const hours = requireValue(sheet, 'brief.idleHours').value
  const speed = requireValue(sheet, 'brief.idleSpeed').value
  const model = modelOf(sheet)
  const moment = momentAt(sheet, speed, temperature)
  const { pump } = model.values
  const [now] = pressureBands(model, [moment], samples)
  const longer = longerRotor(sheet)
  const [then] = pressureBands(modelOf(longer(pump.displacement, pump.rotorLength)), [moment], samples)
  const state = outlookOf(sheet, 20).states.find(({ name }) => name === 'idleHot')!
  const { measured } = state
  const share = measured ? measured.reading / measured.expected.pressure : 1
  const target = targetAt(sheet, model.oil, { name: 'idleHot', speed, temperature })
  const least = Math.max(target.least, ruleOf(sheet, 'floor.idleHot'))
  return {
    hours,
    temperature,
    read: of !== undefined,
    ...(measured ? { seen: measured.reading } : {}),
    now: scaled(now, share),
    longer: scaled(then, share),
    least,
    verdict:
      state.verdict === 'void' || (state.verdict === 'assumed' && !measured)
        ? state.verdict
        : judge(share * now.pressure, share * now.low, share * now.high, { least, most: target.most }),
    followers: sheet.layout.followers,
    often: hours >= OFTEN,
  }
}

const scaled = ({ pressure, low, high }: Band, share: number): Band => ({
  pressure: share * pressure,
  low: share * low,
  high: share * high,
})

const longerRotor =
  (sheet: Sheet) =>
  (displacement: number, length: number): Sheet => ({
    ...sheet,
    readings: {
      ...sheet.readings,
      'pump.displacement': { ...sheet.readings['pump.displacement'], value: 1.1 * displacement, source: 'measured' },
      'pump.rotorLength': { ...sheet.readings['pump.rotorLength'], value: 1.1 * length, source: 'measured' },
    },
  })
