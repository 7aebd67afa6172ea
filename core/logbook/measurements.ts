import { judgeFloat } from '../bearing/float'
import { catalogueOf } from '../engine/catalogue'
import { limitOf, whoseLimits } from '../house/makerLimits'
import { bearingsOf } from '../parts/clearances'
import { endFloatOf } from '../parts/crank'
import { gapMarks, judgeGap } from '../parts/pumpReadings'
import { sideLimitsOf } from '../parts/rod'
import type { Verdict } from '../quantity/verdict'
import type { Quantity } from '../record/quantity'
import type { Reading, Sheet } from '../record/schema'

/** What a recorded number is held against, SI, and whose limit it is. */
export interface HeldTo {
  least?: number
  most?: number
  whose: ReturnType<typeof whoseLimits>
  verdict?: Verdict
}

/** A number on record with how well it is known and what it is held against. */
export interface Measurement {
  quantity: Quantity
  reading: Reading
  /** Standard uncertainty, SI: the instrument's, else what is usual for its kind. */
  sigma: number
  heldTo?: HeldTo
}

/** Every number on record that this layout has a place for, in the order of the stations. */
export function measurementsOf(sheet: Sheet): Measurement[] {
  const held = heldToOf(sheet)
  return [...catalogueOf(sheet.layout).quantities.values()].flatMap((quantity): Measurement[] => {
    const reading: Reading | undefined = sheet.readings[quantity.key]
    const heldTo = held[quantity.key]
    if (!reading) return []
    return [{ quantity, reading, sigma: reading.uncertainty ?? quantity.sigma, ...(heldTo ? { heldTo } : {}) }]
  })
}

/** Limits of single readings by their keys; clearances, which stand on two, are held against theirs by `clearanceLimits`. */
function heldToOf(sheet: Sheet): Record<string, HeldTo | undefined> {
  const read = (key: string) => sheet.readings[key]?.value
  const judged = (key: string, limits: Parameters<typeof judgeFloat>[1]) => {
    const value = read(key)
    return value === undefined ? {} : { verdict: judgeFloat(value, limits) }
  }
  const endFloat = endFloatOf(sheet)
  const held: Record<string, HeldTo> = {
    'thrust.endFloat': { ...endFloat, ...judged('thrust.endFloat', endFloat) },
  }
  for (const { number, diameter } of bearingsOf(sheet, 'rod')) {
    const side = sideLimitsOf(sheet, diameter)
    held[`rod.${number}.side`] = { ...side, ...judged(`rod.${number}.side`, side) }
  }
  for (const gap of ['end', 'tip'] as const) {
    const { least, stop } = gapMarks(sheet, gap)
    const verdict = judgeGap(sheet, gap)
    held[`pump.${gap}Clearance`] = {
      ...(least ? { least: least.value } : {}),
      most: stop.value,
      whose: whoseLimits(least ?? stop, stop),
      ...(verdict ? { verdict } : {}),
    }
  }
  const wall = limitOf(sheet, 'pump.wallLeast')
  for (const name of ['suction', 'outlet']) {
    const value = read(`pump.${name}PortWall`)
    held[`pump.${name}PortWall`] = {
      least: wall.value,
      whose: wall.source,
      ...(value === undefined ? {} : { verdict: value < wall.value ? 'stop' : 'pass' }),
    }
  }
  const gap = limitOf(sheet, 'passage.housingGap')
  for (const name of ['cooler', 'filter']) {
    const value = read(`passage.${name}Gap`)
    held[`passage.${name}Gap`] = {
      most: gap.value,
      whose: gap.source,
      ...(value === undefined ? {} : { verdict: value > gap.value ? 'stop' : 'pass' }),
    }
  }
  return held
}
