import { preloadFor } from './bench'
import { fullLift } from './port'
import { allowedStress, preload, total, wahlStress } from './spring'
import { bindMargin, fullFlowPressure, openingPressure, type ReliefValve } from './valve'

/** Ways to a wanted opening pressure. */
export type RouteKind = 'shims' | 'spring' | 'plug' | 'flush' | 'spring-plug' | 'spring-flush' | 'cap'

/** Why a route cannot be taken, or should not. */
export type Objection =
  /** It opens above what is wanted without any shim. */
  | 'opens-above'
  | 'stack-too-tall'
  | 'plug-at-end'
  /** What sits over the plug leaves it no room to come out so far. */
  | 'plug-covered'
  /** With the plug flush it opens under what is wanted. */
  | 'opens-below'
  | 'cap-inward-only'
  | 'cap-not-adjustable'
  | 'coils-touch'
  | 'little-travel'
  | 'wire-sets'

export interface OfferedSpring {
  id: string
  label: string
  springRate: number
  freeLength: number
  solidLength?: number
  wire?: number
  coilDiameter?: number
}

export interface RouteCase {
  /** Pa. */
  wanted: number
  /** Spring travel that must be left, m. */
  leastMargin: number
  springs: OfferedSpring[]
  /** The fitted spring's wire and mean coil, m, where they were measured. */
  wire?: number
  coilDiameter?: number
  /** How much further in the plug can go, m, where that was measured. */
  plugTravel?: number
  /** How far it can come out before something over it is in its way, and how far it stands proud of flush now, m, where measured. */
  plugOutward?: number
  plugProud?: number
  /** What must pass at full flow, m³/s, and the oil: kg/m³, Pa·s. */
  flow: number
  density: number
  viscosity: number
  /** What the valve's return holds back of that flow, Pa. */
  back: number
}

export interface Route {
  kind: RouteKind
  /** The valve as it would be. */
  valve: ReliefValve
  spring?: OfferedSpring
  /** Shims all together, m; how far the plug or cap goes in from where it is, m, negative outward. */
  shims: number
  further: number
  opens: number
  /** What it settles at with the whole flow, Pa, and over its opening; undefined when the port cannot pass it. */
  fullFlow?: number
  override?: number
  bindMargin?: number
  /** Shear stress at full lift over what the wire bears; undefined when the wire was not measured. */
  stress?: number
  reversible: boolean
  /** Why it cannot be done or should not; empty when it can. */
  against: Objection[]
}

/** A route's own name among the others. */
export const routeKey = ({ kind, spring }: Pick<Route, 'kind' | 'spring'>): string =>
  spring ? `${kind} ${spring.id}` : kind

/** How far a plug that is left where it is flush may open from what is wanted, of it. */
const NEAR = 0.02

/** Thickest stack that stays in place under a spring, m. */
const MOST_SHIMS = 8e-3

/**
 * Each way to a wanted opening pressure: shims under the spring that is fitted, each spring on the shelf with the shims that it then asks for, the plug
 * further in or out, driven flush, either of them with each spring as well, a fixed cap deformed; with what each leaves before the coils touch, what it does to the override, how hard it works the wire, and
 * whether it can be taken back.
 */
export function routesTo(valve: ReliefValve, wanted: RouteCase): Route[] {
  const withSpring = (spring: OfferedSpring): ReliefValve => ({
    ...valve,
    springRate: spring.springRate,
    freeLength: spring.freeLength,
    solidLength: spring.solidLength,
  })
  const further = (of: ReliefValve) =>
    preloadFor(of, wanted.wanted).length - (of.freeLength - of.installedLength + total(of.shims))
  const { springs, plugProud, plugTravel, plugOutward } = wanted
  const measured = plugProud !== undefined || plugTravel !== undefined || plugOutward !== undefined
  return [
    withShims('shims', valve, wanted),
    ...springs.map((spring) => withShims('spring', withSpring(spring), wanted, spring)),
    moved('plug', valve, further(valve), wanted),
    ...(measured
      ? springs.map((spring) => moved('spring-plug', withSpring(spring), further(withSpring(spring)), wanted, spring))
      : []),
    ...(plugProud === undefined
      ? []
      : [
          moved('flush', valve, plugProud, wanted),
          ...springs.map((spring) => moved('spring-flush', withSpring(spring), plugProud, wanted, spring)),
        ]),
    moved('cap', valve, further(valve), wanted),
  ]
}

function withShims(kind: 'shims' | 'spring', valve: ReliefValve, wanted: RouteCase, spring?: OfferedSpring): Route {
  const { shims } = preloadFor(valve, wanted.wanted)
  const against: Objection[] = []
  if (shims < -1e-6) against.push('opens-above')
  if (shims > MOST_SHIMS) against.push('stack-too-tall')
  return described(kind, { ...valve, shims: [Math.max(0, shims)] }, wanted, {
    shims: Math.max(0, shims),
    further: 0,
    reversible: true,
    against,
    spring,
  })
}

function moved(
  kind: Exclude<RouteKind, 'shims' | 'spring'>,
  valve: ReliefValve,
  further: number,
  wanted: RouteCase,
  spring?: OfferedSpring,
): Route {
  const against: Objection[] = []
  const turned = kind === 'plug' || kind === 'spring-plug'
  if (turned && wanted.plugTravel !== undefined && further > wanted.plugTravel + 1e-6) against.push('plug-at-end')
  if (turned && wanted.plugOutward !== undefined && -further > wanted.plugOutward + 1e-6) against.push('plug-covered')
  if (kind === 'flush' || kind === 'spring-flush') {
    const off = openingPressure({ ...valve, installedLength: valve.installedLength - further }) / wanted.wanted - 1
    if (off > NEAR) against.push('opens-above')
    else if (off < -NEAR) against.push('opens-below')
  }
  if (kind === 'cap' && further < 0) against.push('cap-inward-only')
  if (kind === 'cap') against.push('cap-not-adjustable')
  return described(kind, { ...valve, installedLength: valve.installedLength - further }, wanted, {
    shims: total(valve.shims),
    further,
    // A plug that is driven in stays where it is; one with a thread turns both ways.
    reversible: turned,
    against,
    spring,
  })
}

function described(
  kind: RouteKind,
  valve: ReliefValve,
  wanted: RouteCase,
  route: Pick<Route, 'shims' | 'further' | 'reversible' | 'against' | 'spring'>,
): Route {
  const margin = bindMargin(valve)
  let fullFlow: number | undefined
  try {
    fullFlow = fullFlowPressure(valve, wanted.flow, wanted.density, wanted.viscosity) + wanted.back
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
  }
  const { wire, coilDiameter } = route.spring ?? wanted
  const load = preload(valve) + valve.springRate * fullLift(valve.port)
  const stress =
    wire && coilDiameter
      ? wahlStress({ wire, meanDiameter: coilDiameter, activeCoils: 1 }, load) / allowedStress(wire)
      : undefined
  const against = [...route.against]
  if (margin !== undefined && margin < 0) against.push('coils-touch')
  else if (margin !== undefined && margin < wanted.leastMargin) against.push('little-travel')
  if (stress !== undefined && stress > 1) against.push('wire-sets')
  const opens = openingPressure(valve)
  return {
    kind,
    valve,
    ...route,
    opens,
    fullFlow,
    override: fullFlow === undefined ? undefined : fullFlow - opens,
    bindMargin: margin,
    stress,
    against,
  }
}
