/**
 * Sets the shop's passphrase, and an owner's name and PIN, before the network is let in. Asks in a terminal, without showing what is typed; else reads three lines: passphrase, name, PIN.
 * With `--if-missing` only where there is none yet.
 */
import type { Database } from '../server/data/database'
import { createInterface } from 'node:readline'
import { setUpAccess } from '../server/access/setUp'
import { getPassphrase, hasOwner } from '../server/data/people'
import { dataFolder, end, serverOf, withShop } from './lib/shop'

const folder = dataFolder()
const address = serverOf(folder)
const tell = (error: Error) => end(error.message)
if (address)
  await ask(async (passphrase, owner) => {
    const response = await fetch(`${address}/api/passphrase`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ passphrase, owner }),
    }).catch((error: Error) => end(`The server at ${address} does not answer: ${error.message}`, 1))
    return response.ok
      ? undefined
      : (((await response.json()) as { error?: { message: string } }).error?.message ??
          `The server answered ${response.status}.`)
  }).catch(tell)
else
  await withShop(
    folder,
    async (db) => {
      if (process.argv.includes('--if-missing') && (await set(db))) return
      await ask(async (passphrase, owner) => {
        const done = await setUpAccess(db, passphrase, owner)
        return 'fault' in done ? done.fault : undefined
      })
    },
    true,
  ).catch(tell)

async function set(db: Database): Promise<boolean> {
  return (await getPassphrase(db)) !== undefined && (await hasOwner(db))
}

function missing(): never {
  throw new Error(
    'Not in a terminal: give the passphrase, an owner’s first name and a PIN as three lines, or run npm run passphrase in one.',
  )
}

/** Asks until it is taken; without a terminal a wrong line ends it. */
async function ask(
  take: (passphrase: string, owner: { name: string; pin: string }) => Promise<string | undefined>,
): Promise<void> {
  const terminal = process.stdin.isTTY === true
  const lines = createInterface({ input: process.stdin, output: terminal ? process.stdout : undefined, terminal })
  const given = terminal ? undefined : lines[Symbol.asyncIterator]()
  const line = async (words: string, hidden: boolean): Promise<string> => {
    if (given) return ((await given.next()) as { value?: string }).value?.trim() ?? missing()
    return new Promise((done) => {
      const write = process.stdout.write.bind(process.stdout)
      lines.question(words, (typed) => {
        process.stdout.write = write
        if (hidden) write('\n')
        done(typed.trim())
      })
      // What is typed is not shown.
      if (hidden)
        process.stdout.write = ((chunk: string | Uint8Array, ...rest: never[]) =>
          String(chunk).includes('\n') ? write(chunk, ...rest) : true) as typeof process.stdout.write
    })
  }
  for (;;) {
    const passphrase = await line(
      'Passphrase of the shop (12 characters or more; each tablet asks for it once): ',
      true,
    )
    if (terminal && (await line('The same again: ', true)) !== passphrase) {
      console.log('The two differ. Once more.')
      continue
    }
    const name = await line('First name of an owner: ', false)
    const pin = await line(`PIN of ${name} (4 digits or more): `, true)
    const fault = name ? await take(passphrase, { name, pin }) : 'An owner needs a first name.'
    if (fault === undefined) break
    if (!terminal) throw new Error(fault)
    console.log(fault)
  }
  lines.close()
  console.log('The passphrase and the owner’s PIN are set. Whoever was signed in signs in anew.')
}
