/** Under so many guesses, as a power of ten, a passphrase is not taken: somebody who has its hash tries as many in a night. */
const LEAST = 8

/** How many guesses a passphrase takes at most, as a power of ten: by words that are in stolen lists, keys that lie beside one another, repeats and years. */
export async function guessesOf(words: string): Promise<number> {
  const [{ ZxcvbnFactory }, { adjacencyGraphs, dictionary }] = await Promise.all([
    import('@zxcvbn-ts/core'),
    import('@zxcvbn-ts/language-common'),
  ])
  return Math.log10(new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs }).check(words).guesses)
}

/** Why a passphrase that somebody would guess is not taken; undefined when it is. */
export async function guessedFault(words: string): Promise<string | undefined> {
  const power = await guessesOf(words)
  return power < LEAST
    ? `That is guessed within ${power < 1 ? 'ten' : `10^${Math.ceil(power)}`} tries: it is made of what everybody takes. Three or four words that do not belong together take 10^15.`
    : undefined
}
