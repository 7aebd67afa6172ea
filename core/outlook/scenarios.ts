import type { Running } from '../engine/engine'
import { clearanceLimits, bearingsOf } from '../parts/clearances'
import type { Sheet } from '../record/schema'
import { ruleOf } from '../house/limits'
import { diluteOil } from '../oil/blend'
import { OIL_GRADES } from '../oil/grades'
import { oilFrom } from '../oil/oil'
import { oilFiguresOf } from '../record/oil'
import { judge } from '../quantity/verdict'
import { pressureBands } from './band'
import { type StateReadings } from './change'
import { isClearance, keyed, type Model, modelOf, setInputs } from './model'
import { targetAt } from './outlook'
import { namedStates } from './states'

/** What an engine can come to, so that its builder knows the reading in advance. */
export interface Scenario {
  key: string
  label: string
  states: StateReadings
}

interface Draft {
  key: string
  label: string
  change: (model: Model) => void
  /** Hotter than the brief says, K. */
  hotter?: number
}

/** Fuel that short trips leave in the oil, share; a filter about to be bypassed over a clean one; a day's heat over the hot oil of the brief, K. */
const DILUTION = 0.05
const BLOCKED = 6
const HEAT = 20
const SAMPLES = 80

function draftsOf(sheet: Sheet): Draft[] {
  const most = Object.fromEntries(
    (['main', 'rod'] as const).map((set) => [
      set,
      clearanceLimits(sheet, set, bearingsOf(sheet, set)[0].diameter).most,
    ]),
  )
  const worn: Draft = {
    key: 'worn',
    label: 'Worn: bearings at their limit, pump worn out',
    change: (model) => {
      setInputs(model, isClearance, (now, { set }) => Math.max(now, most[set!]), 0.5)
      setInputs(model, keyed('pump.endClearance'), (now) => Math.max(now, ruleOf(sheet, 'pump.endStop')), 0.5)
    },
  }
  const diluted: Draft = {
    key: 'diluted',
    label: `Fuel in the oil, ${100 * DILUTION} in 100`,
    change: (model) => (model.oil = oilFrom(diluteOil(oilFiguresOf(sheet), DILUTION))),
  }
  const hot: Draft = { key: 'hot', label: `Hottest day, oil ${HEAT} K hotter`, change: () => undefined, hotter: HEAT }
  const figures = oilFiguresOf(sheet)
  const thinner = OIL_GRADES.filter(
    ({ kv100, pumpingLimit }) => kv100 < 0.93 * figures.kv100 && pumpingLimit <= figures.pumpingLimit + 5,
  ).sort((a, b) => b.kv100 - a.kv100)[0]
  return [
    worn,
    diluted,
    ...(sheet.layout.filter
      ? [
          {
            key: 'blocked',
            label: 'Filter nearly blocked',
            change: (model: Model) => setInputs(model, keyed('passage.filterLoss'), (now) => BLOCKED * now, 0.5),
          },
        ]
      : []),
    hot,
    ...(thinner
      ? [
          {
            key: 'thin',
            label: `One grade thinner, ${thinner.name}`,
            change: (model: Model) => void (model.oil = oilFrom(thinner)),
          },
        ]
      : []),
    {
      key: 'all',
      label: 'Worn, fuel in the oil and the hottest day at once',
      hotter: HEAT,
      change: (model) => [worn, diluted].forEach(({ change }) => change(model)),
    },
  ]
}

/** What the gauge would say in each scenario, as it stands first. */
export function scenarios(sheet: Sheet): Scenario[] {
  const now: Draft = { key: 'now', label: 'As it stands', change: () => undefined }
  return [now, ...draftsOf(sheet)].map(({ key, label, change, hotter = 0 }) => {
    const model = modelOf(sheet)
    change(model)
    const states = namedStates(sheet).map((state) => ({
      ...state,
      temperature: /Hot$/.test(state.name) ? state.temperature + hotter : state.temperature,
    }))
    const bands = pressureBands(model, states as Running[], SAMPLES)
    return {
      key,
      label,
      states: Object.fromEntries(
        states.map((state, i) => {
          const { pressure, low, high } = bands[i]
          return [
            state.name,
            { pressure, low, high, verdict: judge(pressure, low, high, targetAt(sheet, model.oil, state)) },
          ]
        }),
      ) as StateReadings,
    }
  })
}
