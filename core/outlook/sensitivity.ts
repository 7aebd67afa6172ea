import { ANY_PARTS } from '../parts/list'
import type { Step } from '../parts/part'
import type { EngineValues } from '../parts/list'
import type { Sheet } from '../record/schema'
import { OIL_GRADES } from '../oil/grades'
import { oilAt, oilFrom } from '../oil/oil'
import { oilFiguresOf } from '../record/oil'
import type { StateName } from '../targets/targets'
import { type Model, modelOf } from './model'
import { namedStates } from './states'

/** One change that a builder could make, and what it does to each state. */
export interface Sensitivity {
  key: string
  /** The part that is changed, or the oil. */
  part: keyof EngineValues | 'oil'
  /** What is changed, by how much, in words without units of their own: "mains 0.025 mm tighter". */
  label: string
  /** Change of each state's gauge pressure, Pa. */
  effects: Record<StateName, number>
}

/** Steps that can really be made, of every part that the engine has. */
function stepsOf({ sheet: { layout } }: Model): (Step<EngineValues> & { part: keyof EngineValues })[] {
  return ANY_PARTS.filter(({ fitted }) => fitted(layout)).flatMap(({ name, steps }) =>
    (steps?.(layout) ?? []).map(({ key, label, change }) => ({
      key,
      part: name,
      label,
      change: (values: EngineValues) => change(values[name] as never),
    })),
  )
}

/**
 * What each change does to each state's gauge pressure, the one that moves hot idle most first. The oil's step is to the next grade
 * that is thicker when hot.
 */
export function sensitivities(sheet: Sheet): Sensitivity[] {
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const { engine } = model
  const pressuresWith = (values: EngineValues, oil = model.oil) =>
    states.map((state) => engine.gauge(values, state, oilAt(oil, state.temperature)))
  const base = pressuresWith(model.values)
  const effects = (pressures: number[]) =>
    Object.fromEntries(states.map((state, i) => [state.name, pressures[i] - base[i]])) as Sensitivity['effects']
  const list = stepsOf(model).map(({ key, part, label, change }): Sensitivity => {
    const values = structuredClone(model.values)
    change(values)
    return { key, part, label, effects: effects(pressuresWith(values)) }
  })
  const now = oilFiguresOf(sheet)
  const thicker = OIL_GRADES.filter(
    (grade) => grade.kv100 > 1.08 * now.kv100 && grade.pumpingLimit <= Math.max(now.pumpingLimit, -10),
  ).sort((a, b) => a.kv100 - b.kv100)[0]
  if (thicker)
    list.push({
      key: 'oil.grade',
      part: 'oil',
      label: `Oil one grade thicker, ${thicker.name}`,
      effects: effects(pressuresWith(model.values, oilFrom(thicker))),
    })
  return list.sort((a, b) => Math.abs(b.effects.idleHot) - Math.abs(a.effects.idleHot))
}
