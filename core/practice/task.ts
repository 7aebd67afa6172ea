import { PRESETS } from '../record/layouts'
import { seeded } from '../random/random'
import { CAUSES } from '../trace/priors'
import type { Cause } from '../trace/vocabulary'

/** How plain the hidden fault is: a hard one leaves less to see. */
export const HARDNESS = ['plain', 'middle', 'hard'] as const
export type Hardness = (typeof HARDNESS)[number]

/** What is to be found: an engine by its layout, a draw, and where a teacher set it, the fault itself. */
export interface PracticeTask {
  preset: string
  /** 0 to 2²⁰ − 1: the same gives the same engine with the same fault. */
  seed: number
  hardness: Hardness
  cause?: Cause
}

/** Letters and figures of a code: none that is taken for another by a hand. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'
const SEEDS = 2 ** 20
const LENGTH = 8
const presets = Object.keys(PRESETS)

/** A seed that a task can have, of any number. */
export const seedOf = (number: number): number => Math.floor(Math.abs(number)) % SEEDS

/**
 * The code by which a task is shared: seed (20 bits), layout (6), fault (5), hardness (2) and a check (7), the fields scrambled by the seed so that a code
 * does not tell its fault to the eye. It is no secret: whoever reads this can read a code.
 *
 * @throws {RangeError} where the task has a layout or fault that is not known
 */
export function codeOf({ preset, seed, hardness, cause }: PracticeTask): string {
  const fields = [
    presets.indexOf(preset),
    cause === undefined ? 0 : CAUSES.indexOf(cause) + 1,
    HARDNESS.indexOf(hardness),
  ]
  if (fields[0] < 0 || (cause !== undefined && fields[1] === 0))
    throw new RangeError(`practice: no task of “${preset}”, “${cause}”`)
  const packed = ((fields[0] * 32 + fields[1]) * 4 + fields[2]) ^ mask(seed)
  const bits = BigInt(seedOf(seed)) * 2n ** 20n + BigInt(packed) * 2n ** 7n + BigInt(check(seed, packed))
  return Array.from({ length: LENGTH }, (_, i) => SIGNS[Number((bits >> BigInt(5 * (LENGTH - 1 - i))) & 31n)])
    .join('')
    .replace(/^(.{4})/, '$1-')
}

/** The task of a code, in large letters or small, with or without its hyphen; undefined where it is none. */
export function taskOf(code: string): PracticeTask | undefined {
  const signs = code.toUpperCase().replace(/[\s-]/g, '').replaceAll('O', '0').replace(/[IL]/g, '1')
  if (signs.length !== LENGTH || [...signs].some((sign) => !SIGNS.includes(sign))) return undefined
  const bits = [...signs].reduce((sum, sign) => sum * 32n + BigInt(SIGNS.indexOf(sign)), 0n)
  const [seed, packed] = [Number(bits >> 20n), Number((bits >> 7n) & 0x1fffn)]
  if (Number(bits & 127n) !== check(seed, packed)) return undefined
  const fields = packed ^ mask(seed)
  const [preset, cause, hardness] = [presets[fields >> 7], (fields >> 2) & 31, HARDNESS[fields & 3]]
  if (preset === undefined || hardness === undefined || cause > CAUSES.length) return undefined
  return { preset, seed, hardness, ...(cause > 0 ? { cause: CAUSES[cause - 1] } : {}) }
}

const mask = (seed: number) => Math.floor(seeded(seedOf(seed) + 17)() * 2 ** 13)
const check = (seed: number, packed: number) => Math.floor(seeded(7919 * packed + seedOf(seed))() * 128)
