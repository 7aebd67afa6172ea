import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { makeRoot, makeServerPair, type Pair, stillDoes } from './certificates'

/** What lies in a data folder and is nobody's to read but this program's; none of it is in a backup. */

/** Writes a secret, whole or not at all, for this user alone. */
function writeSecret(file: string, text: string): void {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  writeFileSync(`${file}.part`, text, { mode: 0o600 })
  renameSync(`${file}.part`, file)
}

/** The key by which sessions are sealed: made at first use; gone, everybody signs in anew. */
export function sessionKey(folder: string): string {
  const file = join(folder, 'session.key')
  if (!existsSync(file)) writeSecret(file, randomBytes(48).toString('base64url'))
  return readFileSync(file, 'utf8').trim()
}

function readPair(folder: string, name: string): Pair | undefined {
  const [cert, key] = [join(folder, 'tls', `${name}.crt`), join(folder, 'tls', `${name}.key`)]
  return existsSync(cert) && existsSync(key)
    ? { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') }
    : undefined
}

function writePair(folder: string, name: string, pair: Pair): Pair {
  writeSecret(join(folder, 'tls', `${name}.key`), pair.key)
  writeSecret(join(folder, 'tls', `${name}.crt`), pair.cert)
  return pair
}

/** The shop's own root, made at first use: tablets that took it know this server by it. */
export async function shopRoot(folder: string, host: string, now: number): Promise<Pair> {
  return readPair(folder, 'root') ?? writePair(folder, 'root', await makeRoot(host, now))
}

/** This server's certificate under the shop's root, made anew where the one that lies there will not do for these names. */
export async function serverPair(folder: string, root: Pair, names: string[], now: number): Promise<Pair> {
  const known = readPair(folder, 'server')
  return known && stillDoes(known, root, names, now)
    ? known
    : writePair(folder, 'server', await makeServerPair(root, names, now))
}
