import type { Verdict } from '../quantity/verdict'
import type { Station } from './quantity'

/** Something to look at or do at a station: done, or found at fault. */
export interface CheckItem {
  key: string
  station: Station
  label: string
  /** What a fault there means. */
  fault?: string
  /** Counted as missing until answered. */
  wanted: boolean
  /** Ways of priming that ask for it; all where none is named. */
  methods?: ('drill' | 'tank' | 'starter' | 'hand')[]
  group?: 'step' | 'outlet' | 'preflight' | 'crank' | 'walk' | 'breakIn' | 'recheck'
}

/** A check, written in a line. */
export const check = (
  station: Station,
  key: string,
  label: string,
  fault?: string,
  more: Partial<CheckItem> = {},
): CheckItem => ({ key, station, label, fault, wanted: true, ...more })

/** What can be found at a place, in a word, what that means and what is to be done. */
export interface Finding {
  value: string
  words: string
  verdict: Verdict
  /** What it leads to. */
  action: string
}

/** Something to be looked at whose answer is a word of the trade. */
export interface InspectionItem {
  key: string
  station: Station
  label: string
  findings: Finding[]
  /** Counted as missing until answered. */
  wanted: boolean
}
