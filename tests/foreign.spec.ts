import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { expect, openPage, test } from './network'
import { buildId } from './server'
import { change, entriesOf } from './intruder'

test('a page of somebody else’s, a name that leads here by another’s hand, and a request handed on are turned away', async ({
  shop,
}) => {
  const id = await buildId(shop.server, 'Rescue tractor 2')
  const cookie = await shop.signIn('Ilse')
  const post = (headers: Record<string, string>) =>
    shop
      .ask('POST', `/api/builds/${id}/entries`, { headers: { cookie, ...headers }, body: change('Ilse') })
      .then(({ status }) => status)
  for (const headers of [
    { origin: 'https://evil.example' },
    { origin: 'null' },
    { 'sec-fetch-site': 'cross-site' },
    { 'sec-fetch-site': 'same-site' },
    { origin: `http://127.0.0.2:${shop.port}` },
  ] as Record<string, string>[])
    expect(await post(headers), JSON.stringify(headers)).toBe(403)
  // Names under which another's page could be led here.
  for (const host of [
    'evil.example',
    '127.evil.example',
    '127.0.0.2.evil.example',
    'localhost.evil.example',
    '[::1].evil.example',
  ]) {
    expect((await shop.ask('GET', '/api/access', { headers: { host, cookie } })).status, host).toBe(421)
    const response = await new Promise<number>((done, fail) => {
      import('node:http').then(
        ({ get }) =>
          get(
            { host: '127.0.0.1', port: shop.server.port, path: '/api/builds', headers: { host } },
            (answer) => (answer.resume(), done(answer.statusCode!)),
          ).on('error', fail),
        fail,
      )
    })
    expect(response, host).toBe(421)
  }
  // What a proxy hands on to this machine's own line comes from elsewhere.
  for (const header of ['x-forwarded-for', 'forwarded', 'via', 'x-real-ip'])
    expect((await fetch(`${shop.own}/api/builds`, { headers: { [header]: '10.0.0.9' } })).status, header).toBe(401)
  // Ways of writing an address that a table of rights might not know.
  for (const path of [
    '/api/people/',
    '//api/people',
    '/API/people',
    '/api/%70eople',
    '/api/builds/../people',
    '/api/./people',
    '/api/people?x=/api/health',
    '/api/access/../people',
    '/api/health/../people',
  ]) {
    const { status, text } = await shop.ask('GET', path, { headers: { cookie } })
    expect(text, path).not.toContain('"sessions"')
    expect([401, 403, 404, 200], path).toContain(status)
  }

  // A foreign page in the browser of somebody who is signed in.
  const browser = await shop.browser()
  const { page, context } = await openPage(browser)
  const [name, value] = cookie.split('=')
  await context.addCookies([{ name, value, url: shop.secure, secure: true, httpOnly: true, sameSite: 'Strict' }])
  await page.goto(shop.secure)
  await expect(page.getByRole('link', { name: 'Ilse, signed in' })).toBeVisible()
  const foreign = createServer((_, response) =>
    response
      .writeHead(200, { 'content-type': 'text/html' })
      .end(
        `<form id="f" method="post" enctype="text/plain" action="${shop.secure}/api/builds/${id}/entries"><input name='{"x":"' value='"}'></form><iframe src="${shop.secure}/"></iframe>`,
      ),
  )
  await new Promise<void>((done) => foreign.listen(0, '127.0.0.3', done))
  await page.goto(`http://127.0.0.3:${(foreign.address() as AddressInfo).port}/`)
  const outcomes = await page.evaluate(
    async ([target, body]) => {
      const tried = async (more: RequestInit) =>
        fetch(target, { method: 'POST', credentials: 'include', body, ...more }).then(
          ({ status, type }) => `${type} ${status}`,
          () => 'refused',
        )
      const read = await fetch(target, { credentials: 'include' }).then(
        (response) => response.text(),
        () => 'refused',
      )
      return [
        await tried({ headers: { 'content-type': 'application/json' } }),
        await tried({ mode: 'no-cors', headers: { 'content-type': 'text/plain' } }),
        await tried({ mode: 'no-cors', keepalive: true }),
        read,
      ]
    },
    [`${shop.secure}/api/builds/${id}/entries`, JSON.stringify(change('Ilse'))],
  )
  expect(outcomes[0]).toBe('refused')
  expect(outcomes[3]).toBe('refused')
  expect(page.frames().find((frame) => frame.url().startsWith(shop.secure))).toBeUndefined()
  await page.evaluate(() => (document.querySelector('#f') as HTMLFormElement).submit())
  await page.waitForLoadState()
  expect(await entriesOf(shop, id)).toEqual([])
  foreign.close()
})
