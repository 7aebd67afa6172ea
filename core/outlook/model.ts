import type { ReadingKey } from '../parts/list'
import type { EngineValues } from '../parts/list'
import { type Engine, type Running, prepareEngine } from '../engine/engine'
import { modelInputs, type ModelInput } from '../engine/inputs'
import { leftOutOf } from '../engine/inspections'
import type { Sheet } from '../record/schema'
import { usableSheet } from '../engine/usableSheet'
import { type Oil, oilAt } from '../oil/oil'
import { oilOf } from '../record/oil'

/** A sheet made ready to be asked: its circuit, its values with their uncertainties, its oil. */
export interface Model {
  sheet: Sheet
  engine: Engine
  values: EngineValues
  inputs: ModelInput[]
  oil: Oil
}

let lastEngine: { key: string; engine: Engine } | undefined

/** The engine of a sheet's layout, without what was left out; the last one is kept, since a builder works on one at a time. */
function engineOf(sheet: Sheet): Engine {
  const leftOut = leftOutOf(sheet)
  const key = JSON.stringify([sheet.layout, leftOut])
  if (lastEngine?.key !== key) lastEngine = { key, engine: prepareEngine(sheet.layout, leftOut) }
  return lastEngine.engine
}

/** The model of a sheet, without what in it cannot be used (`usableSheet`): what voids a prediction is said beside it and never stops the arithmetic. */
export function modelOf(recorded: Sheet): Model {
  const { sheet } = usableSheet(recorded)
  return { sheet, engine: engineOf(sheet), ...modelInputs(sheet), oil: oilOf(sheet) }
}

/** Gauge-port pressure of the model at a moment, Pa, with its inputs as they now stand; to `aim` where less than all figures will do. */
export function gaugePressure(model: Model, running: Running, aim?: number): number {
  return model.engine.gauge(model.values, running, oilAt(model.oil, running.temperature), aim)
}

/** Puts another value in the place of every input that matches, `share` as uncertain as before. */
export function setInputs(
  model: Model,
  matches: (input: ModelInput) => boolean,
  value: (now: number, input: ModelInput) => number,
  share = 1,
): void {
  for (const input of model.inputs)
    if (matches(input)) Object.assign(input, { value: value(input.value, input), sigma: share * input.sigma })
  for (const input of model.inputs) input.put(model.values, input.value)
}

/** Whether an input is a bearing's clearance; whether it is that of a reading. */
export const isClearance = ({ set }: ModelInput): boolean => set !== undefined
export const keyed =
  (key: ReadingKey) =>
  (input: ModelInput): boolean =>
    input.key === key
