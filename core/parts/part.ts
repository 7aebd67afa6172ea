import type { OilState } from '../oil/oil'
import type { Problem, Sheet, Layout } from '../record/schema'
import type { CheckItem, InspectionItem } from '../record/looked'
import type { Station } from '../record/quantity'
import type { Verdict } from '../quantity/verdict'
import type { CircuitBuilder } from './circuitBuilder'
import type { Input } from './input'
import type { PassageItem } from './passage'
import type { FilterFitment, Packing } from './primingWords'
import type { ReadingSpec } from './reading'

/** What every part sees while the circuit is set for a moment: how the engine turns, its oil, and what all bearings share. SI, °C. */
export interface Conditions {
  /** Crank speed, and the pump's where something else drives it, rev/s. */
  speed: number
  pumpSpeed?: number
  temperature: number
  /** Mean cylinder pressure over the working stroke, Pa. */
  meanPressure: number
  /** The oil, its viscosity in passages and in films with the grade's own uncertainty in it, Pa·s. */
  oil: OilState
  viscosity: number
  film: number
  /** Discharge coefficient of holes and valves; factor on the bearings' leakage law. */
  discharge: number
  leakage: number
  /** Share of what is sheared in a film that its oil carries off, the metal taking the rest. */
  heat: number
  /** What the pump moves before it slips, m³/s, and what the bearings are fed with by it, Pa: near enough for the films’ heat. */
  pumpFlow: number
  feedPressure: number
  /** Of the crank: its radius, where clearances were measured, shell lengths, the lands beside a main's groove, the oil hole. */
  crankRadius: number
  room: number
  mainLength: number
  mainLand: number
  rodLength: number
  oilHole: number
  /** Of the pump: bores that the tube and the gallery's feed meet at it, m, where they were measured. */
  suctionPort?: number
  outletPort?: number
  /** Mean loads of a main and of a rod, N. */
  mainLoad: number
  rodLoad: number
  /** Thinnest films of mains and rods, m, and how much they warm their oil, K: written by them. */
  films: Films
}

/** What a solved circuit knows of its films. */
export interface Films {
  main: number
  rod: number
  mainRise: number
  rodRise: number
}

/** Sets a part's elements for its values at a moment; allocates nothing. */
export type Setter<Values> = (values: Values, now: Conditions) => void

/** A change that a builder could really make: one shell grade, one washer, the next pump. */
export interface Step<Values> {
  key: string
  label: string
  change: (values: Values) => void
}

/** Something that governs states and should not stand on the layout's defaults alone. */
export interface Ground {
  about: 'mains' | 'rods' | 'displacement' | 'pump clearances' | 'relief valve' | 'gallery relief valve'
  /** Whether it governs hot idle too, or only cold and at speed, where a relief valve may. */
  states: 'all' | 'relief'
  /** Whether anything of it is on record, and the reading that would give it grounds. */
  stands: (sheet: Sheet) => boolean
  key: (sheet: Sheet) => string
}

/** Something that can be judged of a record without the model. */
export interface Judged {
  station: Station
  verdict: Verdict
  /** In a few words. */
  about: string
}

/** Something that cannot be computed with, so that nothing may be said of the gauge until it is mended. */
export interface Void extends Problem {
  /** What it is about, in a few words: "main 3 bore". */
  about: string
  station?: Station
}

/** A place where oil must be seen when it is primed, or be taken as arrived. */
export interface Outlet {
  /** Node of the circuit that feeds it. */
  node: string
  label: string
  /** The check that ticks it; bearings cannot be seen. */
  check?: string
}

/** What a fault does: to a part's numbers, to the circuit, to how the pump was left, to what the gauge shows. */
export interface FaultEffect<Values> {
  /** Changes the part's numbers in place. */
  change?: (values: Values) => void
  /** Passages left out, by key. */
  leftOut?: string[]
  /** Hole that draws air at the pickup, m. */
  airLeak?: number
  /** How the pump and filter stand before they turn. */
  pump?: { packing: Packing; filter: FilterFitment }
  /** The pump does not turn. */
  undriven?: boolean
  /** What the sender shows of the pressure. */
  sender?: number
  /** The lamp says that there is no pressure, whatever there is. */
  lamp?: 'on'
  /** The pickup comes out of the oil after so many seconds of running. */
  uncoversAfter?: number
}

/** What can be wrong with a part. A key that stands with several parts is one fault that changes them all. */
export interface PartFault<Values, Key extends string = string> {
  key: Key
  /** What it is, in the trade's words, and where to look first. */
  words: string
  look: string
  /** Layouts of those with the part that can have it; all, where it does not say. */
  fits?: (layout: Layout) => boolean
  /** @param severity from just felt, 0, to as bad as it comes, 1 */
  effect: (severity: number, layout: Layout) => FaultEffect<Values>
}

/** Between two values, by severity. */
export const between = (severity: number, least: number, most: number): number => least + severity * (most - least)

/**
 * A part that an engine can have, whole in one file: what can be recorded of it, what it adds to the circuit and how its numbers set it, what is
 * uncertain in it, its passages, what a builder can change, how it can fail. Lists of keys, inputs, passages, checks and faults are these, put
 * together by `core/engine`.
 */
export interface Part<
  Name extends string = string,
  Values = unknown,
  Key extends string = string,
  Fault extends string = string,
> {
  name: Name
  fitted: (layout: Layout) => boolean
  readings: readonly ReadingSpec<Key>[]
  /** Its numbers for the circuit, as recorded or assumed. */
  values: (sheet: Sheet) => Values
  inputs?: (sheet: Sheet) => Input<Values>[]
  place?: (circuit: CircuitBuilder, layout: Layout) => Setter<Values>
  /** Its setter goes before the others', since they see what it writes. */
  first?: boolean
  /** Its place on the way from pump to gallery, where all oil goes through it. */
  inLine?: number
  passages?: (layout: Layout) => PassageItem[]
  outlets?: (layout: Layout) => Outlet[]
  steps?: (layout: Layout) => Step<Values>[]
  checks?: (layout: Layout) => CheckItem[]
  inspections?: (layout: Layout) => InspectionItem[]
  /** Keys of what is looked at beside the inspections, with the words that it can be answered by. */
  looked?: (layout: Layout) => [key: string, words: readonly string[]][]
  choices?: (layout: Layout) => string[]
  grounds?: (layout: Layout) => Ground[]
  judged?: (sheet: Sheet) => Judged[]
  /** Pairs of recorded values that no engine has together, each named at both. */
  contradictions?: (sheet: Sheet) => Problem[]
  /** Faults on record that no law of the circuit describes. */
  voids?: (sheet: Sheet) => Void[]
  faults?: readonly PartFault<Values, Fault>[]
}

/** A part as it is written; only gives its type. */
export const part = <
  const Name extends string,
  Values,
  const Key extends string = never,
  const Fault extends string = never,
>(
  written: Part<Name, Values, Key, Fault>,
): Part<Name, Values, Key, Fault> => written

/** The words of a check whose fault no law describes, as a void. */
export function voidOf(check: CheckItem): Void {
  return {
    path: `checks/${check.key}`,
    message: `recorded as faulty: ${check.fault ?? check.label}`,
    about: `${check.label.toLowerCase()}: fault`,
    station: check.station,
  }
}

/** Names readings that cannot stand beside each other; the first reason given for each stands. */
export function contradicting(sheet: Sheet) {
  const problems: Problem[] = []
  return {
    problems,
    /** Those of the keys that are on record, with the reason. */
    both: (keys: string[], message: string) => {
      for (const key of keys)
        if (key in sheet.readings && !problems.some(({ path }) => path === `readings/${key}`))
          problems.push({ path: `readings/${key}`, message })
    },
  }
}
