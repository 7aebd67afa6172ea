import { benchLog, benchOf } from './reliefBench'
import { springRateOf } from './reliefSpring'
import { bindMargin } from '../relief/valve'
import { limitOf } from '../house/makerLimits'
import type { Layout } from '../record/schema'
import { MM } from './drafts'
import { between, contradicting, type Ground, type Judged, part, type PartFault, voidOf } from './part'
import type { ReadingSpec } from './reading'
import { formsUnmeasured, valveFit } from './reliefFit'
import {
  type FittedValve,
  risesBetweenHeights,
  VALVE_READINGS,
  type ValveField,
  type ValveName,
  valveSourced,
} from './reliefReadings'
import { reliefChecks, reliefInspections } from './reliefLooked'
import { reliefInputs, reliefValve } from './reliefRecord'

type ReliefFault = 'relief-open' | 'relief-sticks' | 'relief-weak' | 'relief-shut'

/** A plunger that hangs with a share of its port open: next to no spring, and a port cut to that share. */
const STANDS_OPEN: PartFault<FittedValve, ReliefFault> = {
  key: 'relief-open',
  words: 'the relief valve stands open',
  look: 'Take the relief plug out: a plunger that hangs, dirt on its seat, a broken or missing spring.',
  effect: (severity) => ({
    change: (valve) => {
      const share = between(severity, 0.6, 1)
      const { port } = valve
      valve.port =
        port.shape === 'round'
          ? { ...port, overlap: 0, diameter: port.diameter * Math.sqrt(share) }
          : { ...port, overlap: 0, width: port.width * share }
      valve.springRate = 50
      valve.freeLength = valve.installedLength + 1e-4
      valve.shims = []
    },
  }),
}

const HANGS: PartFault<FittedValve, ReliefFault> = {
  key: 'relief-sticks',
  words: 'the relief valve hangs a little open',
  look: 'Take the relief plug out: dirt or a burr in the bore, a plunger that does not fall by its own weight.',
  // Dirt under it holds it off its seat by so much; it still opens further.
  effect: (severity) => ({
    change: (valve) => void (valve.port = { ...valve.port, overlap: -between(severity, 0.5e-3, 2e-3) }),
  }),
}

const WEAK: PartFault<FittedValve, ReliefFault> = {
  key: 'relief-weak',
  words: 'the relief spring is too weak, or its plug too far out',
  look: 'Measure the relief spring and the depth of its plug.',
  effect: (severity) => ({ change: (valve) => void (valve.springRate *= between(severity, 0.75, 0.4)) }),
}

const STUCK_SHUT: PartFault<FittedValve, ReliefFault> = {
  key: 'relief-shut',
  words: 'the relief valve sticks shut',
  look: 'Ease off and stop before the filter bursts. Take the relief plug out: the plunger must fall by its own weight.',
  effect: () => ({ change: (valve) => void (valve.springRate *= 50) }),
}

/** Oil behind a valve, m³. */
const RETURN_ROOM = 2e-6

interface Place {
  fitted: (layout: Layout) => boolean
  /** Its element, where it stands, and what it is called there. */
  element: string
  at: 'pump outlet' | 'gallery end'
  words: string
  about: Ground['about']
  shimStep: string
}

/** A relief valve: plunger, spring, shims and port, where it stands in the circuit. */
function reliefPart<const N extends ValveName>(name: N, { fitted, element, at, words, about, shimStep }: Place) {
  type Key = (typeof VALVE_READINGS)[N][ValveField]['key']
  const falls = reliefChecks(name)[0]
  return part({
    name,
    fitted,
    readings: Object.values(VALVE_READINGS[name]) as ReadingSpec[] as ReadingSpec<Key>[],
    values: (sheet): FittedValve => reliefValve(sheet, name),
    inputs: (sheet) => reliefInputs(sheet, name),
    place: (circuit, layout) => {
      const behind = circuit.junction(`${element} return`, { room: RETURN_ROOM, height: 0 })
      const valve = circuit.relief(element, at === 'pump outlet' ? at : circuit.galleryEnd, behind, {
        words,
        short: 'relief',
        station: 'relief',
        readings: [`${name}.springRate`],
        kind: 'relief',
      })
      const back = circuit.pipe(
        `${element} return passage`,
        behind,
        name === 'relief' && layout.reliefReturn === 'inlet' ? 'pump inlet' : 'sump',
        { length: 60 * MM, diameter: 8 * MM, k: 1.5 },
        {
          words: `Return of the ${words.toLowerCase()}`,
          short: 'relief',
          station: 'relief',
          readings: [`${name}.returnBore`],
        },
      )
      return (values, { discharge }) => {
        valve.valve = values
        valve.dischargeCoefficient = discharge
        back.length = values.returnLength
        back.diameter = values.returnBore
      }
    },
    steps: () => [
      { key: `${name}.shims`, label: shimStep, change: (v) => v.shims.push(0.5 * MM) },
      ...(name === 'relief'
        ? [
            {
              key: 'relief.springRate',
              label: 'Relief spring a tenth stiffer',
              change: (v: FittedValve) => (v.springRate *= 1.1),
            },
          ]
        : []),
    ],
    checks: () => reliefChecks(name),
    choices: () => ['bench', 'benchOil', 'stack', 'body', 'housing', 'sleeve'].map((field) => `${name}.${field}`),
    inspections: () => reliefInspections(name),
    grounds: () => [
      { about, states: 'relief', stands: (sheet) => valveHasGrounds(sheet, name), key: () => `${name}.springRate` },
    ],
    judged: (sheet) => {
      const found: Judged[] = []
      const margin = bindMargin(reliefValve(sheet, name))
      if (margin !== undefined && springRateOf(sheet, name).source !== 'layout')
        found.push({
          station: 'relief',
          verdict: margin < 0 ? 'stop' : margin < limitOf(sheet, 'relief.bindMargin').value ? 'watch' : 'pass',
          about: 'spring near coil bind',
        })
      for (const fault of valveFit(sheet, name)) found.push({ station: 'relief', verdict: 'stop', about: fault.about })
      if (formsUnmeasured(sheet, name))
        found.push({ station: 'relief', verdict: 'watch', about: 'valve and housing of two forms' })
      const bench = benchOf(sheet, name)
      if (bench && bench.surprise > 3)
        found.push({ station: 'relief', verdict: 'watch', about: 'bench and spring disagree' })
      return found
    },
    contradictions: (sheet) => {
      const { problems, both } = contradicting(sheet)
      const of = (field: ValveField) => valveSourced(sheet, name, field)?.value
      const read = (field: ValveField) => sheet.readings[`${name}.${field}`]?.value
      const keys = (...fields: ValveField[]) => fields.map((field) => `${name}.${field}`)
      const [free, long, shims, solid] = [of('freeLength'), of('installedLength'), of('shims'), of('solidLength')]
      if (free !== undefined && long !== undefined && long - (shims ?? 0) >= free)
        both(
          keys('freeLength', 'installedLength'),
          'the spring is as long fitted as free: nothing holds the plunger shut',
        )
      else if (free !== undefined && solid !== undefined && solid >= free)
        both(keys('freeLength', 'solidLength'), 'the spring is as long solid as free')
      else if (long !== undefined && solid !== undefined && long - (shims ?? 0) <= solid)
        both(
          keys('installedLength', 'shims', 'solidLength'),
          'the spring is solid as it is fitted: the plunger cannot lift',
        )
      const pairs = ['height1', 'load1', 'height2', 'load2'] as const
      if (pairs.every((field) => read(field) !== undefined) && !risesBetweenHeights(sheet.readings, name))
        both(keys(...pairs), 'the load does not rise as the spring is pressed')
      const [wire, coil] = [read('wire'), read('coilDiameter')]
      if (wire !== undefined && coil !== undefined && wire >= coil)
        both(keys('wire', 'coilDiameter'), 'the wire is as thick as the coil is wide')
      return problems
    },
    voids: (sheet) => [
      ...(sheet.checks[falls.key]?.state === 'fault' ? [voidOf(falls)] : []),
      ...valveFit(sheet, name).map((fault) => ({
        path: fault.has === undefined ? `choices/${name}.body` : `readings/${name}.reach`,
        message: fault.means.replace(/\.$/, ''),
        about: fault.about,
        station: 'relief' as const,
      })),
    ],
    faults: name === 'relief' ? [STANDS_OPEN, HANGS, WEAK, STUCK_SHUT] : [STUCK_SHUT],
  })
}

/** The relief valve at the pump. */
export const relief = reliefPart('relief', {
  fitted: () => true,
  element: 'relief',
  at: 'pump outlet',
  words: 'Relief valve',
  about: 'relief valve',
  shimStep: 'One washer more, 0.5 mm',
})

/** A second one at the gallery's far end. */
export const relief2 = reliefPart('relief2', {
  fitted: ({ galleryRelief }) => galleryRelief,
  element: 'gallery relief',
  at: 'gallery end',
  words: 'Relief valve, gallery end',
  about: 'gallery relief valve',
  shimStep: 'Gallery valve’s shims 0.5 mm more',
})

/** Whether anything of what sets a valve's opening was recorded: spring, lengths or plunger, or a bench reading. */
export function valveHasGrounds(sheet: Parameters<typeof springRateOf>[0], valve: ValveName): boolean {
  if (springRateOf(sheet, valve).source !== 'layout') return true
  if (benchLog(sheet, valve).some(({ fitted }) => fitted)) return true
  return (['freeLength', 'installedLength', 'plungerDiameter'] as const).some(
    (field) => `${valve}.${field}` in sheet.readings,
  )
}
