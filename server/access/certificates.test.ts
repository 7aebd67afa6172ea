import { spawnSync } from 'node:child_process'
import { X509Certificate } from 'node:crypto'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:https'
import { get } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { fingerprintOf, makeRoot, makeServerPair, type Pair, stillDoes } from './certificates'

const DAY = 86_400_000
const now = Date.now()

/** What openssl, which did not make them, says of a certificate under a root for a name. */
function judged(root: Pair, cert: string, ...asked: string[]): string {
  const folder = mkdtempSync(join(tmpdir(), 'uldo-cert-'))
  writeFileSync(join(folder, 'root.pem'), root.cert)
  writeFileSync(join(folder, 'cert.pem'), cert)
  const { stdout, stderr } = spawnSync(
    'openssl',
    ['verify', '-x509_strict', '-CAfile', join(folder, 'root.pem'), ...asked, join(folder, 'cert.pem')],
    { encoding: 'utf8' },
  )
  rmSync(folder, { recursive: true })
  return stdout + stderr
}

it('a server’s certificate is good under the shop’s root, for its names and no others, and for nothing outside a private network', async () => {
  const root = await makeRoot('shed', now)
  const pair = await makeServerPair(root, ['shed.local', '192.168.7.20', '127.0.0.2', 'fd00::20'], now)
  for (const asked of [
    ['-verify_hostname', 'shed.local'],
    ['-verify_ip', '192.168.7.20'],
    ['-verify_ip', 'fd00::20'],
  ])
    expect(judged(root, pair.cert, ...asked)).toMatch(/: OK/)
  expect(judged(root, pair.cert, '-verify_hostname', 'other.local')).toMatch(/mismatch/)
  const outside = await makeServerPair(root, ['bank.example', '8.8.8.8'], now)
  expect(judged(root, outside.cert)).toMatch(/permitted subtree violation/)
  expect(judged(root, (await makeServerPair(root, ['8.8.8.8'], now)).cert)).toMatch(/permitted subtree violation/)
  // Another root of the same name vouches for nothing here.
  expect(judged(await makeRoot('shed', now), pair.cert)).not.toMatch(/: OK/)
  expect(fingerprintOf(root.cert)).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/)
  const made = new X509Certificate(pair.cert)
  expect((Date.parse(made.validTo) - Date.parse(made.validFrom)) / DAY).toBeLessThanOrEqual(398)
  expect(made.ca).toBe(false)
})

it('a client that trusts the root alone is answered, by name and address; one that does not is not', async () => {
  const root = await makeRoot('shed', now)
  const pair = await makeServerPair(root, ['localhost', '127.0.0.1'], now)
  const server = createServer(pair, (_, response) => response.end('ok'))
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  const { port } = server.address() as AddressInfo
  const ask = (host: string, ca?: string) =>
    new Promise<string>((done) =>
      get({ host, port, ca, family: 4 }, (response) => done(String(response.statusCode))).on(
        'error',
        (error: NodeJS.ErrnoException) => done(error.code ?? 'error'),
      ),
    )
  expect(await ask('127.0.0.1', root.cert)).toBe('200')
  expect(await ask('localhost', root.cert)).toBe('200')
  expect(await ask('127.0.0.1')).toMatch(/SELF_SIGNED|UNABLE_TO/)
  server.close()
})

it('it is made anew before it runs out, for another name, and under another root', async () => {
  const root = await makeRoot('shed', now)
  const pair = await makeServerPair(root, ['shed.local', '10.0.0.4'], now)
  expect(stillDoes(pair, root, ['10.0.0.4', 'shed.local'], now)).toBe(true)
  expect(stillDoes(pair, root, ['10.0.0.4', '10.0.0.5'], now)).toBe(false)
  expect(stillDoes(pair, root, ['10.0.0.4'], now + 360 * DAY)).toBe(true)
  expect(stillDoes(pair, root, ['10.0.0.4'], now + 367 * DAY)).toBe(false)
  expect(stillDoes(pair, await makeRoot('shed', now), ['10.0.0.4'], now)).toBe(false)
})
