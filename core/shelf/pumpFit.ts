import type { Sheet } from '../record/schema'
import { numberOf, type Properties } from './fields'

/** A pump's drive that is out by so much reaches no more, or holds the cover off, m. */
const DRIVE_PLAY = 0.5e-3
/** A rotor that is longer by so much makes a longer body, m. */
const BODY_PLAY = 0.2e-3

/** What may keep a pump from fitting: the engine it is kept for, a drive or year other than the engine's own, a length that is out by `by`, m. */
export type FitWarning =
  | { code: 'other-engine'; engine: string }
  | { code: 'drive' | 'year'; has: string; wants: string }
  | { code: 'drive-length' | 'body-longer'; by: number }

/** What may keep a pump from fitting: look-alikes of another year, drive or length. Silent where nothing is known. */
export function fitWarnings(sheet: Sheet, pump: { engine: string; properties: Properties }): FitWarning[] {
  const { properties, engine } = pump
  const warnings: FitWarning[] = []
  if (engine && !same(engine, sheet.engine)) warnings.push({ code: 'other-engine', engine })
  for (const code of ['drive', 'year'] as const) {
    const has = String(properties[code] ?? '').trim()
    const wants = (sheet.choices[`pump.${code}`] ?? '').trim()
    if (has && wants && !same(has, wants)) warnings.push({ code, has, wants })
  }
  const beyond = (property: string, reading: 'pump.driveLength' | 'pump.rotorLength') => {
    const [has, wants] = [numberOf(properties, property), sheet.readings[reading]?.value]
    return has === undefined || wants === undefined ? 0 : has - wants
  }
  const drive = beyond('driveLength', 'pump.driveLength')
  if (Math.abs(drive) > DRIVE_PLAY) warnings.push({ code: 'drive-length', by: drive })
  const rotor = beyond('rotorLength', 'pump.rotorLength')
  if (rotor > BODY_PLAY) warnings.push({ code: 'body-longer', by: rotor })
  return warnings
}

const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase()
