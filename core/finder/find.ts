import type { BearingValues } from '../parts/bearingInputs'
import { elementOf } from '../parts/circuitBuilder'
import type { EngineValues } from '../parts/list'
import type { Sheet } from '../record/schema'
import { oilAt, oilFrom } from '../oil/oil'
import { ruleOf } from '../house/limits'
import { rangeOf, samplePressures } from '../outlook/band'
import { modelOf } from '../outlook/model'
import { targetAt } from '../outlook/outlook'
import { namedStates } from '../outlook/states'
import { shaftPower } from '../pump/power'
import { bindMargin, flowStartPressure, type ReliefValve } from '../relief/valve'
import type { StateName, Target } from '../targets/targets'
import type { TriedChange } from '../outlook/tried'
import { combinationsOf } from './combinations'
import { Frontier } from './frontier'
import { loadLine, meet } from './loadLine'
import { ownChance } from './ownChance'
import type { FinderProgress, Offer, Setup } from './types'

/** Samples of the engine's uncertainty behind each chance. */
const SAMPLES = 200
/** Set-ups that are sampled each by itself and shown. */
const MOST_SHOWN = 15

/**
 * Goes through every combination of springs, shim stacks, oils, pumps and shells, and keeps those that no other beats in the chance of
 * meeting all targets, in drive power and in number of changes at once. Yields as it goes, first answers at once.
 *
 * Spring and stack act only where the valve is: for each oil, pump and shell set the circuit's load line at the pump's outlet is found
 * once for each state, and every valve is laid against it. Which are worth a look is judged by samples of the engine as it stands: sample s
 * scales each state as it scales that. What is left is then sampled each by itself (`ownChance`), and judged anew.
 * Source: Pareto front by enumeration; joint chance by common random numbers, JCGM 101:2008.
 */
export function* findSetups(sheet: Sheet, offer: Offer): Generator<FinderProgress, FinderProgress> {
  const model = modelOf(sheet)
  const { engine } = model
  const { circuit } = engine
  const states = namedStates(sheet)
  const sampled = samplePressures(model, states, SAMPLES)
  const scales = sampled.map(({ best, drawn }) => drawn.map((pressure) => pressure / best))
  const spreads = scales.map((drawn) => rangeOf({ best: 1, drawn }))
  const outlet = circuit.indexOf('pump outlet')
  const behind = circuit.indexOf('relief return')
  const gauge = circuit.indexOf(engine.plan.gauge)
  const relief = elementOf(engine.plan, 'relief', 'relief')
  const valves = valvesOf(model.values.relief, offer, ruleOf(sheet, 'relief.bindMargin'))
  const lowest = 0.98 * Math.min(...valves.map(({ valve }) => flowStartPressure(valve)))
  const total = combinationsOf(offer)
  const frontier = new Frontier()
  const pressures = states.map(() => new Float64Array(valves.length))
  const powers = new Float64Array(valves.length)
  let done = 0

  for (const oil of [undefined, ...offer.oils]) {
    const made = oil ? oilFrom(oil.figures) : model.oil
    const targets = states.map((state) => targetAt(sheet, made, state))
    const oils = states.map((state) => oilAt(made, state.temperature))
    for (const pump of [undefined, ...offer.pumps]) {
      for (const shells of [undefined, ...offer.shells]) {
        const values = altered(model.values, pump, shells)
        states.forEach((state, s) => {
          engine.set(values, state, oils[s])
          const fluid = { density: oils[s].density, viscosity: oils[s].viscosity * values.model.viscosity }
          const line = loadLine(circuit, relief, fluid, outlet, behind, gauge, lowest)
          valves.forEach(({ valve }, v) => {
            const met = meet(line, valve, fluid, values.model.discharge)
            pressures[s][v] = met.gauge
            // The inlet's few kilopascals of suction are left out of the power.
            if (s === states.length - 1)
              powers[v] = shaftPower(
                met.outlet,
                values.pump,
                state.speed * values.pump.driveRatio,
                oils[s].filmViscosity * values.model.viscosity,
              )
          })
        })
        const pumpable = oils.every((each) => each.pumpable)
        valves.forEach(({ spring, stack, binds }, v) => {
          if (binds || !pumpable) return
          const parts = { spring, stack, oil: oil?.id, pump: pump?.id, shells: shells?.id }
          frontier.take({
            ...parts,
            power: powers[v],
            changes: Object.values(parts).filter((part) => part !== undefined).length,
            pressures: Object.fromEntries(states.map((state, s) => [state.name, pressures[s][v]])) as Record<
              StateName,
              number
            >,
            bands: Object.fromEntries(
              states.map((state, s) => [
                state.name,
                [spreads[s].low * pressures[s][v], spreads[s].high * pressures[s][v]],
              ]),
            ) as Setup['bands'],
            probability: chance(pressures, v, scales, targets),
            sampled: false,
          })
        })
        done += valves.length
        yield { done, total, frontier: frontier.list() }
      }
    }
  }
  const sampledOnes = new Frontier()
  // The likeliest, and what needs no change: so many as a builder compares.
  const waiting = frontier.list().filter(({ changes }, place) => place < MOST_SHOWN || changes === 0)
  while (waiting.length > 0) {
    const setup = waiting.shift()!
    sampledOnes.take({ ...setup, ...ownChance(sheet, changeOf(setup, offer)), sampled: true })
    yield { done, total, frontier: [...sampledOnes.list(), ...waiting] }
  }
  return { done, total, frontier: sampledOnes.list() }
}

/** What a set-up changes on a sheet. */
function changeOf({ spring, stack, oil, pump, shells }: Setup, offer: Offer): TriedChange {
  const of = <T extends { id: string }>(list: T[], id: string | undefined) => list.find((each) => each.id === id)
  const set = of(offer.shells, shells)
  return {
    spring: of(offer.springs, spring),
    shims: of(offer.stacks, stack)?.thickness,
    oil: of(offer.oils, oil)?.figures,
    pump: of(offer.pumps, pump),
    mains: set?.mains,
    rods: set?.rods,
  }
}

interface OfferedValve {
  spring?: string
  stack?: string
  valve: ReliefValve
  binds: boolean
}

function valvesOf(fitted: ReliefValve, { springs, stacks }: Offer, leastMargin: number): OfferedValve[] {
  return [undefined, ...springs].flatMap((spring) =>
    [undefined, ...stacks].map((stack): OfferedValve => {
      const valve: ReliefValve = {
        ...fitted,
        ...(spring
          ? { springRate: spring.springRate, freeLength: spring.freeLength, solidLength: spring.solidLength }
          : {}),
        ...(stack ? { shims: [stack.thickness] } : {}),
      }
      return { spring: spring?.id, stack: stack?.id, valve, binds: (bindMargin(valve) ?? leastMargin) < leastMargin }
    }),
  )
}

function altered(
  values: EngineValues,
  pump: Offer['pumps'][number] | undefined,
  shells: Offer['shells'][number] | undefined,
): EngineValues {
  return {
    ...values,
    pump: {
      ...values.pump,
      ...(pump && {
        displacement: pump.displacement,
        rotorDiameter: pump.rotorDiameter,
        rotorLength: pump.rotorLength,
        endClearance: pump.endClearance,
        tipClearance: pump.tipClearance,
      }),
    },
    main: looser(values.main, shells?.mains),
    rod: looser(values.rod, shells?.rods),
  }
}

/** A set of bearings with other shells, m wider. */
function looser<V extends BearingValues>(values: V, by = 0): V {
  return { ...values, clearance: values.clearance.map((each) => Math.max(5e-6, each + by)) }
}

/** Share of samples in which every state lies in its target. */
function chance(pressures: Float64Array[], v: number, scales: Float64Array[], targets: Target[]): number {
  let met = 0
  for (let k = 0; k < SAMPLES; k++) {
    let all = true
    for (let s = 0; s < targets.length && all; s++) {
      const pressure = pressures[s][v] * scales[s][k]
      all = pressure >= targets[s].least && pressure <= targets[s].most
    }
    if (all) met++
  }
  return met / SAMPLES
}
