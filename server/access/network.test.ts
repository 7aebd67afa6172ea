import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { get as getPlain } from 'node:http'
import { get } from 'node:https'
import { connect as connectLine, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { connect } from 'node:tls'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { fingerprintOf, makeRoot, makeServerPair } from './certificates'
import { serverPair, sessionKey, shopRoot } from './keys'
import { isOwn, namesOn, type Network, NotLetIn, openNetwork } from './network'

let folder: string
let network: Network | undefined
beforeEach(() => void (folder = mkdtempSync(join(tmpdir(), 'uldo-network-'))))
afterEach(() => {
  network?.stop()
  network = undefined
  rmSync(folder, { recursive: true, force: true })
})
const HOST = '127.0.0.2'
const freePort = () =>
  new Promise<number>((done) => {
    const probe = createServer().listen(0, HOST, () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => done(port))
    })
  })
const open = async (env: NodeJS.ProcessEnv = {}, port?: number) => {
  const at = port ?? (await freePort())
  network = await openNetwork({
    host: HOST,
    port: at,
    folder,
    env,
    application: (_, response) => response.end('application'),
    door: () => (_, response) => response.end('door'),
  })
  return at
}
const bodyOf = (ask: typeof get | typeof getPlain, options: object) =>
  new Promise<string>((done, fail) => {
    ask(options, (response) => {
      let text = ''
      response.on('data', (chunk: Buffer) => (text += chunk.toString()))
      response.on('end', () => done(text))
    }).on('error', fail)
  })

describe('the network', () => {
  it('is let in by TLS, under a root that outlives a restart; plain HTTP on the same port comes to the door', async () => {
    const port = await open()
    const { root, address, fingerprint } = network!
    expect(address).toBe(`https://${HOST}:${port}`)
    expect(await bodyOf(get, { host: HOST, port, ca: root })).toBe('application')
    expect(await bodyOf(getPlain, { host: HOST, port })).toBe('door')
    network!.stop()
    await open()
    expect(network!.fingerprint).toBe(fingerprint)
    expect(network!.root).toBe(root)
  })
  it('speaks TLS 1.2 or newer alone', async () => {
    const port = await open()
    const tried = (maxVersion: 'TLSv1.1' | 'TLSv1.2' | 'TLSv1.3') =>
      new Promise<string>((done) => {
        const line = connect(
          { host: HOST, port, ca: network!.root, minVersion: maxVersion, maxVersion, ciphers: 'DEFAULT:@SECLEVEL=0' },
          () => {
            done(line.getProtocol()!)
            line.destroy()
          },
        )
        line.on('error', () => done('refused'))
      })
    expect(await tried('TLSv1.1')).toBe('refused')
    expect(await tried('TLSv1.2')).toBe('TLSv1.2')
    expect(await tried('TLSv1.3')).toBe('TLSv1.3')
  })
  it('goes by a certificate that was brought; half of one, an unreadable one and a port in use are said in words', async () => {
    const root = await makeRoot('elsewhere', Date.now())
    const pair = await makeServerPair(root, [HOST], Date.now())
    const [cert, key] = [join(folder, 'own.crt'), join(folder, 'own.key')]
    writeFileSync(cert, pair.cert)
    writeFileSync(key, pair.key)
    const port = await open({ ULDO_TLS_CERT: cert, ULDO_TLS_KEY: key })
    expect(network).toMatchObject({ fingerprint: fingerprintOf(pair.cert) })
    expect(network!.root).toBeUndefined()
    expect(await bodyOf(get, { host: HOST, port, ca: root.cert })).toBe('application')
    const failing = async (env: NodeJS.ProcessEnv, at?: number) =>
      openNetwork({
        host: HOST,
        port: at ?? 1,
        folder,
        env,
        application: () => undefined,
        door: () => () => undefined,
      }).catch((error: Error) => error)
    const half = await failing({ ULDO_TLS_CERT: cert })
    expect(half).toBeInstanceOf(NotLetIn)
    expect((half as Error).message).toContain('ULDO_TLS_KEY is missing')
    expect(((await failing({ ULDO_TLS_CERT: cert, ULDO_TLS_KEY: join(folder, 'none') })) as Error).message).toContain(
      'cannot be read',
    )
    expect(((await failing({ ULDO_TLS_CERT: cert, ULDO_TLS_KEY: key }, port)) as Error).message).toBe(
      `Port ${port} of ${HOST} is in use by another program. Name another with ULDO_TLS_PORT.`,
    )
  })
  it('holds a line that says nothing for ten seconds at most, and none against who speaks', async () => {
    const port = await open()
    const began = Date.now()
    const silent = connectLine({ host: HOST, port })
    const gone = new Promise<number>((done) => silent.on('close', () => done(Date.now() - began)))
    expect(await bodyOf(get, { host: HOST, port, ca: network!.root })).toBe('application')
    const held = await gone
    expect(held).toBeGreaterThan(8000)
    expect(held).toBeLessThan(20_000)
  }, 30_000)
})

describe('names and keys', () => {
  it('are those of every address where it listens to all, and the one where it listens to one', () => {
    const interfaces = {
      lo: [{ address: '127.0.0.1', internal: true }],
      eth: [
        { address: '192.168.7.20', internal: false },
        { address: 'fe80::1', internal: false },
        { address: 'fd00::20', internal: false },
      ],
    } as never
    const all = namesOn('0.0.0.0', '', interfaces)
    expect(all.slice(0, 2)).toEqual(['192.168.7.20', 'fd00::20'])
    expect(all).toHaveLength(4)
    expect(all[3]).toMatch(/\.local$/)
    expect(namesOn('192.168.7.20', 'https://shed.lan:4443/', interfaces)).toEqual(['shed.lan', '192.168.7.20'])
    expect(['', '127.0.0.1', 'localhost', '::1'].every(isOwn)).toBe(true)
    expect(['0.0.0.0', '::', '127.0.0.2', '192.168.7.20'].some(isOwn)).toBe(false)
  })
  it('lie where this user alone reads them, and are the same at the next start', async () => {
    expect(sessionKey(folder)).toBe(sessionKey(folder))
    expect(sessionKey(folder).length).toBeGreaterThanOrEqual(64)
    const root = await shopRoot(folder, 'shed', Date.now())
    expect(await shopRoot(folder, 'shed', Date.now())).toEqual(root)
    const pair = await serverPair(folder, root, [HOST], Date.now())
    expect(await serverPair(folder, root, [HOST], Date.now())).toEqual(pair)
    // Another address of this machine, or a year on: made anew.
    expect(await serverPair(folder, root, [HOST, '10.0.0.7'], Date.now())).not.toEqual(pair)
    for (const file of ['session.key', 'tls/root.key', 'tls/server.key'])
      expect(statSync(join(folder, file)).mode & 0o077, file).toBe(0)
    expect(readFileSync(join(folder, 'tls/root.crt'), 'utf8')).toContain('BEGIN CERTIFICATE')
  })
})
