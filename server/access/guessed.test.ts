import { expect, it } from 'vitest'
import { guessedFault, guessesOf } from './guessed'

it.each(['passwordpassword', 'qwertyuiop123', 'P@ssw0rd1234', '123456789abc', 'summersummer2024', 'Liverpool1234'])(
  '%s is guessed, and is not taken',
  async (words) => expect(await guessedFault(words)).toMatch(/^That is guessed within (ten|10\^\d) tries/),
)
it.each(['kettle anvil osprey', '🔧 öl und späne 🔩', 'sievert plinth 40 gull', 'dreizehn krumme Nägel'])(
  '%s is taken',
  async (words) => expect(await guessedFault(words)).toBeUndefined(),
)
it('a longer one takes more guesses', async () => {
  expect(await guessesOf('kettle anvil osprey gull')).toBeGreaterThan(await guessesOf('kettle anvil'))
})
