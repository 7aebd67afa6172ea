import type { ValveName } from './reliefReadings'
import type { Sheet } from '../record/schema'

export interface FitFault {
  /** A few words for a list. */
  about: string
  /** The whole sentence's reason, after its numbers. */
  means: string
  /** The two lengths that do not go together, m. */
  has: number
  wants: number
}

/** Play that a nose needs to press on its seat, m. */
const NIP = 0.1e-3

/**
 * Whether a relief valve's body fits its housing: a nose that does not come down to the seat never shuts; a thread longer than the tapped
 * depth bottoms out before the nose is down.
 */
export function valveFit(sheet: Sheet, name: ValveName): FitFault[] {
  const of = (field: string) => sheet.readings[`${name}.${field}`]?.value
  const [reach, seat, thread, tapped] = ['reach', 'seatDepth', 'thread', 'tapped'].map(of)
  const faults: FitFault[] = []
  if (reach !== undefined && seat !== undefined && reach < seat + NIP)
    faults.push({
      about: 'valve never reaches its seat',
      means: 'The nose stops short of its seat: oil passes it at all pressures. It is the valve of another housing.',
      has: reach,
      wants: seat + NIP,
    })
  if (thread !== undefined && tapped !== undefined && thread > tapped)
    faults.push({
      about: 'valve bottoms out before it seals',
      means: 'The thread runs out before the nose is down. It is the valve of another housing.',
      has: thread,
      wants: tapped,
    })
  return faults
}
