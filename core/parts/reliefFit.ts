import type { ValveName } from './reliefReadings'
import type { Sheet } from '../record/schema'

/** How a valve is made, and what its housing is made for: a loose piston and spring, or a valve in one piece of an early or a late form. */
export const VALVE_FORMS = ['loose', 'early', 'late'] as const
export type ValveForm = (typeof VALVE_FORMS)[number]

export interface FitFault {
  /** A few words for a list. */
  about: string
  /** The whole sentence's reason, after its numbers. */
  means: string
  /** The two lengths that do not go together, m, where it is by lengths. */
  has?: number
  wants?: number
}

/** Play that a nose needs to press on its seat, m. */
const NIP = 0.1e-3

/**
 * Whether a relief valve goes with its housing. By its lengths: the shoulder rests on a spacer, or on a lip that is higher than that; a nose that then does not come down to
 * the seat never shuts, and a thread that is longer than the tapped depth bottoms out before the nose is down. By its kind: a piston of its own needs the bore that a
 * housing for it or a sleeve gives; a valve in one piece brings its own, and does not go in while the sleeve is there. */
export function valveFit(sheet: Sheet, name: ValveName): FitFault[] {
  const of = (field: string) => sheet.readings[`${name}.${field}`]?.value
  const [reach, seat, thread, tapped] = ['reach', 'seatDepth', 'thread', 'tapped'].map(of)
  const held = Math.max(of('spacer') ?? 0, of('lip') ?? 0)
  const faults: FitFault[] = []
  if (reach !== undefined && seat !== undefined && reach - held < seat + NIP)
    faults.push({
      about: 'valve never reaches its seat',
      means: `The nose stops short of its seat: oil passes it at all pressures. ${held > 0 ? 'Spacer or lip hold it off, or it' : 'It'} is the valve of another housing.`,
      has: reach - held,
      wants: seat + NIP,
    })
  if (thread !== undefined && tapped !== undefined && thread - held > tapped)
    faults.push({
      about: 'valve bottoms out before it seals',
      means: 'The thread runs out before the nose is down. It is the valve of another housing.',
      has: thread - held,
      wants: tapped,
    })
  return [...faults, ...kindFaults(sheet, name)]
}

/** Kinds that do not go together, by name. */
function kindFaults({ choices }: Sheet, name: ValveName): FitFault[] {
  const [body, housing, sleeve] = ['body', 'housing', 'sleeve'].map((field) => choices[`${name}.${field}`])
  if (body === undefined) return []
  const refuse = (about: string, means: string): FitFault[] => [{ about, means }]
  if (body !== 'loose' && sleeve === 'in')
    return refuse(
      'one-piece valve in a sleeved block',
      'A valve in one piece brings its own bore: it does not go in while the steel sleeve is in the block. Take the sleeve out, or fit a loose piston and spring.',
    )
  if (body === 'loose' && (sleeve === 'none' || (sleeve === undefined && (housing === 'early' || housing === 'late'))))
    return housing === 'loose'
      ? []
      : refuse(
          'loose piston without its bore',
          'A loose piston runs in a sleeve or in a housing bored for it. This one is made for a valve in one piece: fit the sleeve, or that valve.',
        )
  if (body !== 'loose' && housing === 'loose')
    return refuse(
      'one-piece valve in a housing for a loose piston',
      'The housing is bored for a loose piston and has no seat for a valve in one piece.',
    )
  return []
}

/** Whether a valve of one form is to go in a housing of the other and no lengths say yet whether it does. */
export function formsUnmeasured({ choices, readings }: Pick<Sheet, 'choices' | 'readings'>, name: ValveName): boolean {
  const [body, housing] = ['body', 'housing'].map((field) => choices[`${name}.${field}`])
  const onePiece = (form?: string) => form === 'early' || form === 'late'
  return (
    onePiece(body) &&
    onePiece(housing) &&
    body !== housing &&
    !['reach', 'seatDepth', 'thread', 'tapped'].every((field) => `${name}.${field}` in readings)
  )
}
