import { passagesOf } from '../engine/catalogue'
import { primeSetUpOf } from '../prime/setUp'
import type { Sheet } from '../record/schema'
import type { Cause, Context } from './vocabulary'

/** What a record says of causes before anything is asked: how much less, or more, each is to be thought of, and why. */
export interface RecordSays {
  causes: Cause[]
  /** 1 says nothing. */
  factor: number
  /** A code that the words are chosen by. */
  code:
    | 'packed'
    | 'filter-off'
    | 'plugs-fitted'
    | 'plug-left-out'
    | 'lifters-fitted'
    | 'restrictors-fitted'
    | 'bypass-right'
    | 'bypass-wrong'
    | 'plunger-falls'
    | 'plunger-hangs'
    | 'spring-measured'
    | 'pump-measured'
    | 'bearings-measured'
    | 'pickup-tight'
    | 'pickup-faulty'
    | 'screen-clean'
    | 'cover-sealed'
    | 'primed'
    | 'mended'
}

/** What is on record rules out only so far: whoever wrote it can have been wrong. */
const UNLIKELY = 0.2
const LESS_LIKELY = 0.4
const FOUND = 30

/** What a record has to say, line by line, and what was mended just before. What ran since may have changed what was recorded of a fresh build, so that it counts for less. */
export function recordSays(
  sheet: Sheet,
  { context, mended = [] }: { context: Context; mended?: Cause[] },
): RecordSays[] {
  const said: RecordSays[] = mended.length > 0 ? [{ code: 'mended', causes: mended, factor: UNLIKELY }] : []
  const aged = context === 'fresh' ? 1 : 0.5
  const say = (code: RecordSays['code'], factor: number, ...causes: Cause[]) =>
    said.push({ code, causes, factor: factor < 1 ? factor ** aged : factor })
  const { inspections, checks, readings, choices } = sheet
  const findings = (kind: string) =>
    passagesOf(sheet.layout)
      .filter((item) => item.kind === kind)
      .map(({ key, fit }) => ({ finding: inspections[key]?.finding, fit }))
  const all = (kind: string) => {
    const found = findings(kind)
    return found.length > 0 && found.every(({ finding }) => finding === 'fitted')
  }
  const done = (...keys: string[]) => keys.every((key) => checks[key]?.state === 'done')
  const read = (...keys: string[]) => keys.every((key) => key in readings)

  if (context === 'fresh' || context === 'stood') {
    const setUp = primeSetUpOf(sheet)
    if (choices['pump.packing'] && setUp.packing !== 'dry') say('packed', UNLIKELY, 'dry-pump', 'air-lock')
    if (choices['prime.filter'] && setUp.filter === 'off') say('filter-off', 0.1, 'air-lock')
    if (context === 'fresh' && read('prime.pressure'))
      say('primed', UNLIKELY, 'dry-pump', 'air-lock', 'no-oil', 'pickup-air', 'cover-leak', 'screen-blocked')
  }
  if (all('plug')) say('plugs-fitted', UNLIKELY, 'plug-out')
  if (findings('plug').some(({ finding }) => finding === 'left-out')) say('plug-left-out', FOUND, 'plug-out')
  if (all('lifters')) say('lifters-fitted', LESS_LIKELY, 'lifter-open')
  if (all('restrictor')) say('restrictors-fitted', LESS_LIKELY, 'restrictor-out')
  const bypasses = findings('bypass')
  if (bypasses.length > 0 && bypasses.every(({ finding, fit }) => finding === fit?.right))
    say('bypass-right', UNLIKELY, 'bypass-wrong')
  if (bypasses.some(({ finding, fit }) => finding !== undefined && finding !== fit?.right))
    say('bypass-wrong', FOUND, 'bypass-wrong')
  if (checks['relief.falls']?.state === 'fault') say('plunger-hangs', FOUND, 'relief-sticks', 'relief-open')
  else if (done('relief.falls')) say('plunger-falls', LESS_LIKELY, 'relief-open', 'relief-sticks', 'relief-shut')
  if (read('relief.freeLength') && (read('relief.springRate') || read('relief.load1', 'relief.load2')))
    say('spring-measured', UNLIKELY, 'relief-weak')
  if (read('pump.endClearance', 'pump.tipClearance')) say('pump-measured', UNLIKELY, 'pump-worn')
  const measured = (set: string, count: number) =>
    Array.from({ length: count }, (_, i) => `${set}.${i + 1}`).every(
      (bearing) => read(`${bearing}.bore`, `${bearing}.journal`) || read(`${bearing}.clearance`),
    )
  if (measured('main', sheet.layout.mains) && measured('rod', sheet.layout.feed.length))
    say('bearings-measured', LESS_LIKELY, 'clearance')
  const pickup = Object.entries(checks).filter(([key]) => key.startsWith('pickup.'))
  if (pickup.some(([, { state }]) => state === 'fault')) say('pickup-faulty', FOUND, 'pickup-air', 'screen-blocked')
  else if (done('pickup.seal', 'pickup.tight') || read('pickup.vacuum', 'pickup.vacuumAfter'))
    say('pickup-tight', UNLIKELY, 'pickup-air')
  if (done('pickup.screen')) say('screen-clean', LESS_LIKELY, 'screen-blocked')
  if (choices['pump.coverSeal']) say('cover-sealed', LESS_LIKELY, 'cover-leak')
  return said
}
