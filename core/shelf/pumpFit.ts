import type { Sheet } from '../record/schema'
import { numberOf, type Properties } from './fields'

/** A pump's drive that is out by so much reaches no more, or holds the cover off, m. */
const DRIVE_PLAY = 0.5e-3

/** What may keep a pump from fitting, in words: look-alikes of another year, drive or length. */
export function fitWarnings(sheet: Sheet, pump: { engine: string; properties: Properties }): string[] {
  const { properties } = pump
  const warnings: string[] = []
  if (pump.engine && pump.engine.toLowerCase() !== sheet.engine.toLowerCase())
    warnings.push(`kept for the ${pump.engine}`)
  const [drive, year] = ['drive', 'year'].map((key) => String(properties[key] ?? '').trim())
  const own = (key: string) => (sheet.choices[`pump.${key}`] ?? '').trim()
  if (drive && own('drive') && drive.toLowerCase() !== own('drive').toLowerCase())
    warnings.push(`drive is ${drive}, the engine’s ${own('drive')}`)
  if (year && own('year') && year.toLowerCase() !== own('year').toLowerCase())
    warnings.push(`of ${year}, the engine’s of ${own('year')}: look-alikes of other years may not fit`)
  const [length, wanted] = [numberOf(properties, 'driveLength'), sheet.readings['pump.driveLength']?.value]
  if (length !== undefined && wanted !== undefined && Math.abs(length - wanted) > DRIVE_PLAY)
    warnings.push(`drive ${(1e3 * Math.abs(length - wanted)).toFixed(1)} mm ${length > wanted ? 'longer' : 'shorter'}`)
  const [rotor, rotorNow] = [numberOf(properties, 'rotorLength'), sheet.readings['pump.rotorLength']?.value]
  if (rotor !== undefined && rotorNow !== undefined && rotor > rotorNow + 0.2e-3)
    warnings.push(`body ${(1e3 * (rotor - rotorNow)).toFixed(1)} mm longer: look at the sump and the pickup’s bracket`)
  return warnings
}
