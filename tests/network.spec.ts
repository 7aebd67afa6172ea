import { X509Certificate } from 'node:crypto'
import { expect, openPage, own, PASSPHRASE, PINS, plain, test } from './network'
import { buildId, field, kept, saved } from './server'
import type { Page } from '@playwright/test'

async function signIn(page: Page, name: string, pin = PINS[name]) {
  await page.getByRole('button', { name, exact: true }).click()
  await page.getByLabel(`PIN of ${name}`).fill(pin)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
}
async function know(page: Page, words = PASSPHRASE) {
  await page.getByLabel('Passphrase of the shop').fill(words)
  await page.getByRole('button', { name: 'Let it in' }).click()
}

test('two people on two tablets: an apprentice’s value waits, a builder signs it off, an owner ends a session', async ({
  shop,
}) => {
  const id = await buildId(shop.server, 'Rescue tractor 2')
  const browser = await shop.browser()
  const errors: string[] = []
  const { page: tobi } = await openPage(browser, errors)
  const { page: maren } = await openPage(await shop.browser(), errors)

  await tobi.goto(`${shop.secure}/build/${id}/bearings`)
  await expect(tobi.getByRole('heading', { name: 'This device is new here' })).toBeVisible()
  // Nothing of the shop is shown before.
  await expect(tobi.getByText(/Rescue|Maren/)).toHaveCount(0)
  await know(tobi, 'not the words')
  await expect(tobi.getByLabel('Passphrase of the shop')).toHaveAttribute('type', 'password')
  await tobi.getByRole('button', { name: 'Show it' }).click()
  await expect(tobi.getByLabel('Passphrase of the shop')).toHaveAttribute('type', 'text')
  await tobi.getByRole('button', { name: 'Hide it' }).click()
  await expect(tobi.getByRole('alert')).toHaveText('That is not the shop’s passphrase.')
  await know(tobi)
  await signIn(tobi, 'Tobi', '000111')
  await expect(tobi.getByRole('alert')).toHaveText('That is not Tobi’s PIN.')
  await signIn(tobi, 'Tobi')
  await expect(tobi.getByRole('link', { name: 'Tobi, signed in' })).toBeVisible()
  // A trusted line: what works without the network, the camera and the awake screen need it.
  expect(await tobi.evaluate(() => isSecureContext && 'locks' in navigator && 'mediaDevices' in navigator)).toBe(true)

  const before = await own(shop, 'GET', `/api/builds/${id}`)
  const key = 'main.1.journal'
  await field(tobi, key).focus()
  await tobi.keyboard.type('56.985')
  await tobi.keyboard.press('Enter')
  const waits = tobi.getByTestId('sign-offs')
  await expect(waits).toContainText('1 change waits for a builder’s sign-off')
  await expect(waits).toContainText('Main 1 journal 56.985 mm, Tobi')
  await expect(waits.getByRole('button', { name: /^Sign off/ })).toHaveCount(0)
  await expect(tobi.getByText('56.985 waits', { exact: true })).toBeVisible()
  await saved(tobi)
  expect((await own(shop, 'GET', `/api/builds/${id}`)).json).toEqual(before.json)

  await maren.goto(shop.secure)
  await know(maren)
  await signIn(maren, 'Maren')
  await expect(maren.getByTestId('floor-says').filter({ hasText: '1 change waits for a sign-off' })).toBeVisible()
  await maren.goto(`${shop.secure}/build/${id}/bearings`)
  await maren.getByRole('button', { name: 'Sign off: Main 1 journal 56.985 mm' }).click()
  await expect(maren.getByTestId('sign-offs')).toHaveCount(0)
  // It stands on both, in its maker's name, and says who signed it off.
  for (const page of [maren, tobi]) await expect(field(page, key)).toHaveValue('56.985')
  await expect(tobi.getByTestId('sign-offs')).toHaveCount(0)
  const entries = (await own(shop, 'GET', `/api/builds/${id}/entries`)).json as { who: string; signedBy?: string }[]
  expect(entries.at(-1)).toMatchObject({ who: 'Tobi', signedBy: 'Maren' })

  // An owner ends the session of a tablet: at once it asks again, and what was typed there is kept, in nobody else's name.
  await field(tobi, 'main.2.journal').focus()
  await tobi.keyboard.type('56.99')
  await maren.goto(`${shop.secure}/house?view=people`)
  await maren.getByRole('button', { name: 'End the session of Tobi' }).click()
  await expect(maren.getByRole('button', { name: 'End the session of Tobi' })).toHaveCount(0)
  await expect(tobi.getByText('Your sign-in has ended.')).toBeVisible({ timeout: 20_000 })
  await know(tobi)
  await signIn(tobi, 'Ilse')
  await expect(tobi.getByRole('link', { name: 'Ilse, signed in' })).toBeVisible()
  const apart = tobi.locator('[data-apart="refused"]')
  await expect(apart).toContainText('Main 2 journal')
  await expect(apart).toContainText('It was made by Tobi, and Ilse is signed in.')
  await expect(maren.getByRole('region', { name: 'Log of access' })).toContainText('Tobi was ended, by Maren')
  expect(errors.filter((error) => !/Failed to load resource/.test(error))).toEqual([])
})

test('what one person left waiting on a tablet is not sent in another’s name', async ({ shop }) => {
  const id = await buildId(shop.server, 'Rescue tractor 2')
  const { page, context } = await openPage(await shop.browser())
  await page.goto(`${shop.secure}/build/${id}/bearings`)
  await know(page)
  await signIn(page, 'Ilse')
  await expect(field(page, 'main.1.journal')).toBeVisible()
  await kept(page)
  await context.setOffline(true)
  await field(page, 'main.1.journal').focus()
  await page.keyboard.type('56.985')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('saving')).toHaveText('offline, 1 kept here')
  // While it lies there, Ilse's session is ended and Maren signs in on the same tablet.
  const { sessions } = (await own(shop, 'GET', '/api/people')).json as { sessions: { id: string }[] }
  for (const each of sessions) await own(shop, 'DELETE', `/api/sessions/${each.id}`)
  await context.setOffline(false)
  await know(page)
  await signIn(page, 'Maren')
  const apart = page.locator('[data-apart="refused"]')
  await expect(apart).toContainText('It was made by Ilse, and Maren is signed in.', { timeout: 20_000 })
  expect(((await own(shop, 'GET', `/api/builds/${id}/entries`)).json as unknown[]).length).toBe(0)
  // Ilse comes back and sends it herself.
  await page.goto(`${shop.secure}/house?view=people`)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await signIn(page, 'Ilse')
  await page.locator('[data-apart="refused"]').getByRole('button', { name: 'Send again' }).click()
  await saved(page)
  expect((await own(shop, 'GET', `/api/builds/${id}/entries`)).json).toMatchObject([{ who: 'Ilse' }])
})

test('the network is let in over HTTPS alone; plain HTTP tells how to trust it and gives nothing else', async ({
  shop,
}) => {
  const door = await plain(shop.port, '/')
  expect(door.status).toBe(200)
  const root = new X509Certificate(shop.root)
  expect(door.body.toString().replaceAll('<wbr>', '')).toContain(root.fingerprint256)
  const file = await plain(shop.port, '/uldo-shop.crt')
  expect(new X509Certificate(file.body).fingerprint256).toBe(root.fingerprint256)
  expect(file.headers['content-type']).toBe('application/x-x509-ca-cert')
  for (const path of ['/api/builds', '/api/health', '/house']) {
    const answer = await plain(shop.port, path)
    expect(answer).toMatchObject({ status: 308, headers: { location: `${shop.secure}${path}` } })
    expect(answer.body.length).toBe(0)
  }
  expect((await plain(shop.port, '/api/builds', 'POST')).status).toBe(405)
  expect((await plain(shop.port, '/', 'GET', { host: 'evil.example' })).status).toBe(421)
  // Who has not taken the root is warned: the certificate is nobody's that a browser knows.
  const stranger = await (await shop.browser()).newContext()
  await stranger.close()
  const page = await shop.ask('GET', '/')
  expect(page.status).toBe(200)
  expect(page.headers['set-cookie']).toBeUndefined()

  // The shop's own machine says the same fingerprint, with a code for the tablet's camera.
  const { page: here } = await openPage(await shop.browser())
  await here.goto(`${shop.own}/house?view=devices`)
  await expect(here.getByText(root.fingerprint256)).toBeVisible()
  await expect(here.getByRole('img', { name: `Code of http://127.0.0.2:${shop.port}/` })).toBeVisible()
})
