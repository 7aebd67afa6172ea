import { createHash, X509Certificate } from 'node:crypto'
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { get as getPlain } from 'node:http'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { checkServerIdentity, connect } from 'node:tls'
import { type Browser, type BrowserContext, chromium, type Page } from '@playwright/test'
import { CHROMIUM } from '../playwright.config'
import { expect, freePort, type Running, spareData, startServer, test as base } from './server'

export const PASSPHRASE = 'kettle anvil osprey'
export const PINS: Record<string, string> = { Maren: '482913', Ilse: '730164', Tobi: '519073' }
/** Another loopback address: what comes to it comes over the network, as far as the server knows. */
export const ADDRESS = '127.0.0.2'

export interface Answer {
  status: number
  headers: Record<string, string | string[] | undefined>
  json: unknown
  text: string
}

/** A shop whose network is let in, and clients of it that trust the shop's root and nothing else. */
export interface Shop {
  server: Running
  /** On the shop's own machine, over plain HTTP. */
  own: string
  /** Over the network. */
  secure: string
  port: number
  root: string
  /** Sends one request over the network. */
  ask: (
    method: string,
    path: string,
    more?: { body?: unknown; headers?: Record<string, string>; raw?: string },
  ) => Promise<Answer>
  /** Signs somebody in and gives the cookie. */
  signIn: (name: string, cookie?: string) => Promise<string>
  /** The cookie of a device that knows the passphrase. */
  device: () => Promise<string>
  /** A browser that takes this server's certificate and no other. */
  browser: () => Promise<Browser>
}

export const own = async (shop: Pick<Shop, 'own'>, method: string, path: string, body?: unknown) => {
  const response = await fetch(shop.own + path, {
    method,
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  })
  return { status: response.status, json: (await response.json()) as unknown }
}

export const cookieOf = ({ headers }: Answer) => String(headers['set-cookie']).split(';')[0]

/** A folder with a passphrase and three people's PINs, made once and copied for each test. */
let template: string | undefined
export async function letIn(): Promise<string> {
  const server = await startServer()
  const send = async (method: string, path: string, body: unknown) =>
    expect(
      (
        await fetch(server.address + path, {
          method,
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        })
      ).status,
    ).toBe(200)
  await send('PUT', '/api/passphrase', { passphrase: PASSPHRASE, owner: { name: 'Maren', pin: PINS.Maren } })
  const { people } = (await (await fetch(`${server.address}/api/access`)).json()) as {
    people: { id: string; name: string }[]
  }
  for (const name of ['Ilse', 'Tobi'])
    await send('PUT', `/api/people/${people.find((each) => each.name === name)!.id}`, { pin: PINS[name], who: 'Maren' })
  await server.stop()
  return server.folder
}

export const test = base.extend<{ shop: Shop }>({
  shop: async ({}, use) => {
    const folder = mkdtempSync(join(tmpdir(), 'uldo-network-'))
    cpSync((template ??= await letIn()), folder, { recursive: true })
    const port = await freePort()
    const server = await startServer(folder, undefined, { ULDO_HOST: ADDRESS, ULDO_TLS_PORT: String(port) })
    const root = readFileSync(join(folder, 'tls/root.crt'), 'utf8')
    const ask: Shop['ask'] = (method, path, { body, headers = {}, raw } = {}) =>
      new Promise((done, fail) => {
        const sent = raw ?? (body === undefined ? '' : JSON.stringify(body))
        const asked = request(
          {
            host: ADDRESS,
            port,
            method,
            path,
            ca: root,
            checkServerIdentity: (_, cert) => checkServerIdentity(ADDRESS, cert),
            headers: {
              ...(sent
                ? { 'content-type': 'application/json', 'content-length': String(Buffer.byteLength(sent)) }
                : {}),
              ...headers,
            },
          },
          (response) => {
            const chunks: Buffer[] = []
            response.on('data', (chunk: Buffer) => chunks.push(chunk))
            response.on('end', () => {
              const text = Buffer.concat(chunks).toString('utf8')
              done({ status: response.statusCode!, headers: response.headers, text, json: jsonOf(text) })
            })
          },
        )
        asked.on('error', fail)
        asked.end(sent)
      })
    const device = async () =>
      cookieOf(await ask('POST', '/api/access/passphrase', { body: { passphrase: PASSPHRASE } }))
    const signIn = async (name: string, known?: string) => {
      const cookie = known ?? (await device())
      const access = (await ask('GET', '/api/access', { headers: { cookie } })).json as {
        people: { id: string; name: string }[]
      }
      const answer = await ask('POST', '/api/access/sign-in', {
        headers: { cookie },
        body: { person: access.people.find((each) => each.name === name)!.id, pin: PINS[name] },
      })
      expect(answer.status).toBe(200)
      return cookieOf(answer)
    }
    const browsers: Browser[] = []
    const browser = async () => {
      const opened = await chromium.launch({
        ...CHROMIUM,
        args: [...CHROMIUM.args, `--ignore-certificate-errors-spki-list=${await keyDigest(port, root)}`],
      })
      browsers.push(opened)
      return opened
    }
    await use({
      server,
      own: server.address,
      secure: `https://${ADDRESS}:${port}`,
      port,
      root,
      ask,
      signIn,
      device,
      browser,
    })
    for (const each of browsers) await each.close()
    await server.stop()
    rmSync(folder, { recursive: true, force: true })
  },
})
export { expect }

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** Digest of the server's key, once its certificate was found good by the shop's root alone. */
function keyDigest(port: number, root: string): Promise<string> {
  return new Promise((done, fail) => {
    const line = connect({ host: ADDRESS, port, ca: root }, () => {
      const key = new X509Certificate(line.getPeerCertificate().raw).publicKey.export({ type: 'spki', format: 'der' })
      line.destroy()
      done(createHash('sha256').update(key).digest('base64'))
    })
    line.on('error', fail)
  })
}

/** A page of a browser of its own, that fails nobody by an error in its console but keeps them. */
export async function openPage(
  browser: Browser,
  errors: string[] = [],
): Promise<{ page: Page; context: BrowserContext }> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })
  await context.addInitScript(spareData)
  const page = await context.newPage()
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
  page.on('pageerror', (error) => errors.push(error.message))
  return { page, context }
}

/** What plain HTTP answers on the network's port. */
export function plain(
  port: number,
  path: string,
  method = 'GET',
  headers: Record<string, string> = {},
): Promise<{ status: number; headers: Record<string, unknown>; body: Buffer }> {
  return new Promise((done, fail) => {
    getPlain({ host: ADDRESS, port, path, method, headers }, (response) => {
      const chunks: Buffer[] = []
      response.on('data', (chunk: Buffer) => chunks.push(chunk))
      response.on('end', () =>
        done({ status: response.statusCode!, headers: response.headers, body: Buffer.concat(chunks) }),
      )
    }).on('error', fail)
  })
}
