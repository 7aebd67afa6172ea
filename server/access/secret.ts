import { createHash, randomBytes } from 'node:crypto'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'

/** The hash that the sessions' library uses, at its own cost (N 2^14, r 8, p 1); here it needs no running server. */
const scrypt = new Scrypt({})

export const hashOf = (secret: string): Promise<string> => scrypt.make(secret.normalize('NFC'))
export const isSecret = (hash: string, secret: string): Promise<boolean> => scrypt.verify(hash, secret.normalize('NFC'))

/** Length of a passphrase, characters. */
const LEAST = 12
const MOST = 128

/** Why a passphrase is not taken; undefined when it is. */
export function passphraseFault(words: string): string | undefined {
  const { length } = [...words]
  if (length < LEAST)
    return `The passphrase has ${length} characters: at least ${LEAST}. Three or four words that nobody would guess are good.`
  if (length > MOST) return `The passphrase has ${length} characters: at most ${MOST}.`
  if (new Set(words.toLowerCase()).size < 5)
    return 'The passphrase is the same few characters over and over: take words.'
  return undefined
}

/** Why a PIN is not taken; undefined when it is. */
export function pinFault(pin: string): string | undefined {
  if (!/^\d{4,12}$/.test(pin)) return 'A PIN is 4 to 12 digits; 6 are better.'
  const steps = new Set([...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i])))
  if (steps.size === 1 && [-1, 0, 1].includes([...steps][0]))
    return 'A PIN of one digit, or of digits in a row, is guessed first: take another.'
  return undefined
}

/** A token's secret: 256 random bits, so that a plain digest of it may be kept. */
export const newToken = () => `uldo_${randomBytes(32).toString('base64url')}`
export const digestOf = (token: string) => createHash('sha256').update(token).digest('hex')
