import type { Void } from '../parts/part'
import { bearingsOf } from '../parts/clearances'
import type { Problem, Sheet } from '../record/schema'
import { usableSheet } from '../engine/usableSheet'
import { oilAt } from '../oil/oil'
import { STARVES } from '../pump/fill'
import { type StateName, type Target, targetOf } from '../targets/targets'
import { judge, type Verdict, worse } from '../quantity/verdict'
import type { Band, Share } from './band'
import { type ComputedFault, computedFaults } from './computedFaults'
import { type Missing, missingGrounds } from './grounds'
import { measuredAt, type Measured } from './measured'
import { type Model, modelOf } from './model'
import { QUICK_SAMPLES, type Solved, solvedOutlook, vesselOf } from './solved'
import { namedStates, type NamedState, STATE_LABELS } from './states'

/** Something between pump and gauge that must bear its pressure, Pa, with 5 and 95 percent, and the most that it should. */
export interface Vessel extends Band {
  most: number
  verdict: Verdict
}

/** A state of the engine: what the gauge is predicted to read there, what it did read where it was read, and the word that follows. */
export interface StateOutlook extends Band {
  name: StateName
  label: string
  /** rev/s */
  speed: number
  /** °C */
  temperature: number
  target: Target
  /** The word that stands: the reading's where the gauge was read, else void, assumed, or the prediction's. */
  verdict: Verdict
  /** What the prediction alone says against the target. */
  predicted: Verdict
  /** The gauge as it was read here. */
  measured?: Measured
  /** What governs here and was not measured at all. */
  missing: Missing[]
  /** False when the oil is below its pumping limit there: nothing is predicted. */
  pumpable: boolean
  /** The pump's inlet draws below what oil follows: it starves. */
  starves: boolean
  /** Pressure at the pump's outlet, upstream of filter and gauge, Pa. */
  outlet: number
  /** Pressure in the filter can and at the cooler's inlet, which the gauge does not see, where there are such. */
  can?: Vessel
  cooler?: Vessel
  /** Thinnest films of mains and rods, m. */
  films: { main: number; rod: number }
  /** Not read here, and elsewhere the gauge departs from this record: what it predicts has lost its grounds. */
  doubted: boolean
}

export interface Outlook {
  states: StateOutlook[]
  /** What is assumed and not measured, with its share of the hot-idle band, largest first. */
  assumed: Share[]
  /** What voids the prediction until it is mended, by name. */
  voids: Void[]
  /** Recorded and without a place in this layout: not used. */
  unused: Problem[]
  /** Crank speed from which on the pump starves with hot oil, rev/s, where it does below the maximum. */
  starvesFrom?: number
  /** Faults on record that the circuit has computed with: named beside the numbers. */
  faults: ComputedFault[]
  /** Suction at the pump inlet in each state, Pa below the air, with 5 and 95 percent, and whether the pump starves there. */
  suction: { name: StateName; loss: number; low: number; high: number; starves: boolean }[]
}

/**
 * The outlook of a sheet: gauge pressure at the four states with bands, judged, and what the bands are made of.
 *
 * @param solved where the circuit of this sheet was solved before, by whatever house rules
 */
export function outlookOf(
  recorded: Sheet,
  samples = QUICK_SAMPLES,
  solved: Solved = solvedOutlook(recorded, samples),
): Outlook {
  const { sheet, voids, unused } = usableSheet(recorded)
  const model = modelOf(sheet)
  const states = namedStates(sheet)
  const [can, cooler] = [vesselOf(sheet, 'filter'), vesselOf(sheet, 'cooler')]
  const judged = states.map((state, i) =>
    stateOutlook(
      model,
      state,
      solved.bands[i],
      {
        starves: solved.suction[i].best > STARVES,
        outlet: solved.outlets[i],
        films: solved.films[i],
        ...(can ? { can: judgedVessel(solved.cans[i], can.most) } : {}),
        ...(cooler ? { cooler: judgedVessel(solved.coolers[i], cooler.most) } : {}),
      },
      voids,
      solved.samples,
    ),
  )
  return {
    states: doubtedBy(judged),
    assumed: solved.shares.filter((share) => share.assumed && share.share > 0.004),
    voids,
    unused,
    starvesFrom: solved.starvesFrom,
    faults: computedFaults(sheet),
    suction: states.map(({ name }, i) => {
      const { best, low, high } = solved.suction[i]
      return { name, loss: best, low, high, starves: best > STARVES }
    }),
  }
}

const judgedVessel = (band: Band, most: number): Vessel => ({
  ...band,
  most,
  verdict: judge(band.pressure, band.low, band.high, { least: -Infinity, most }),
})

/** Where the gauge departs from the record at one state, what the same record predicts of the others passes no more: it is watched until the two agree. */
function doubtedBy(states: StateOutlook[]): StateOutlook[] {
  if (!states.some(({ measured }) => measured?.prediction === 'below' || measured?.prediction === 'above'))
    return states
  return states.map((state) =>
    state.measured ? state : { ...state, doubted: true, verdict: state.verdict === 'pass' ? 'watch' : state.verdict },
  )
}

/** Target of a state for a sheet. */
export function targetAt(
  sheet: Sheet,
  oil: Model['oil'],
  state: { name: StateName; speed: number; temperature: number },
): Target {
  const mains = bearingsOf(sheet, 'main')
  const largest = Math.max(...mains.map((record) => record.diameter))
  return targetOf(sheet, state, largest, oilAt(oil, state.temperature).density)
}

/**
 * What is wanted with running oil at any speed: up to idle as at idle, from working speed on as at work, and between them on a straight line from the one to the
 * other. A chart's line, a map's edge and the verdict of a reading at fast idle all go by it.
 */
export function targetBetween(sheet: Sheet, oil: Model['oil'], speed: number, temperature: number): Target {
  const states = namedStates(sheet)
  const [idle, working] = (['idleHot', 'workingHot'] as const).map(
    (name) => states.find((each) => each.name === name)!.speed,
  )
  if (speed <= idle || working <= idle)
    return targetAt(sheet, oil, { name: 'idleHot', speed: Math.min(speed, idle), temperature })
  if (speed >= working) return targetAt(sheet, oil, { name: 'workingHot', speed, temperature })
  const [low, high] = [
    targetAt(sheet, oil, { name: 'idleHot', speed: idle, temperature }),
    targetAt(sheet, oil, { name: 'workingHot', speed: working, temperature }),
  ]
  const share = (speed - idle) / (working - idle)
  const between = (a: number, b: number) => a + share * (b - a)
  return { ...(share < 0.5 ? low : high), least: between(low.least, high.least), most: between(low.most, high.most) }
}

function stateOutlook(
  model: Model,
  state: NamedState,
  band: Band,
  solved: Pick<StateOutlook, 'starves' | 'outlet' | 'films' | 'can' | 'cooler'>,
  voids: Void[],
  samples: number,
): StateOutlook {
  const { sheet, oil } = model
  const target = targetAt(sheet, oil, state)
  const pumpable = oilAt(oil, state.temperature).pumpable
  const missing = missingGrounds(sheet, state.name)
  // A gauge shows nothing below zero, whatever a spinning crank draws from an empty gallery.
  const [pressure, low, high] = [band.pressure, band.low, band.high].map((each) => Math.max(0, each))
  const byBand = judge(pressure, low, high, target)
  const predicted =
    !pumpable || solved.starves
      ? 'stop'
      : worse(worse(byBand, solved.can?.verdict ?? 'pass'), solved.cooler?.verdict ?? 'pass')
  const measured = measuredAt(model, state.name, samples, voids.length > 0, (moment) =>
    targetAt(sheet, oil, { name: state.name, ...moment }),
  )
  return {
    pressure,
    low,
    high,
    name: state.name,
    label: STATE_LABELS[state.name],
    speed: state.speed,
    temperature: state.temperature,
    target,
    pumpable,
    missing,
    predicted,
    doubted: false,
    ...solved,
    ...(measured ? { measured } : {}),
    verdict: measured
      ? measured.verdict
      : voids.length > 0
        ? 'void'
        : !pumpable
          ? 'stop'
          : missing.length > 0
            ? 'assumed'
            : predicted,
  }
}
