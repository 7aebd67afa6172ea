import fc from 'fast-check'

/**
 * Where every property's random cases begin. A whole run is repeatable: the same commit gives the same answer on every machine.
 * `ULDO_SEED=random` explores and a failure prints its seed; `ULDO_SEED=123` goes back to it. A case that failed is kept as an example in its test.
 */
const asked = process.env.ULDO_SEED ?? '1'
const seed = asked === 'random' ? Math.floor(Math.random() * 2 ** 31) : Number(asked)
if (!Number.isInteger(seed)) throw new Error(`ULDO_SEED is "${asked}": give a whole number, or "random".`)

fc.configureGlobal({ seed })
