import { readFileSync } from 'node:fs'
import { expect, openPage, own, test } from './network'
import { pagesOf } from './pdf'
import { buildId, record, saved } from './server'

test('a customer’s link: made by a builder, it shows one engine’s card and sheet as they stand to whoever has it, and nothing else; ended, it shows nothing', async ({
  shop,
}) => {
  const id = await buildId(shop.server, 'Ottiline')
  const { page: bench } = await openPage(await shop.browser())
  await bench.goto(`${shop.own}/build/${id}/logbook?view=papers`)
  await bench.getByRole('button', { name: 'Maren', exact: true }).click()
  await bench.getByRole('button', { name: 'Links for customers' }).click()
  const links = bench.getByRole('region', { name: 'Links for customers' })
  await expect(links).toContainText('No link stands.')
  await links.getByRole('button', { name: 'Make a link' }).click()
  await expect(links.getByRole('alert')).toContainText('Must be given: whom it is for')
  await links.getByLabel('For whom').fill('Harbour trust')
  await links.getByLabel('Last day').fill('2020-01-01')
  await links.getByRole('button', { name: 'Make a link' }).click()
  await expect(links.getByRole('alert')).toHaveText('Must be today or later')
  await expect(links.getByLabel('For whom')).toHaveValue('Harbour trust')
  await links.getByLabel('Last day').fill(new Date(Date.now() + 7 * 86400e3).toISOString().slice(0, 10))
  await links.getByRole('button', { name: 'Make a link' }).click()
  const address = (await links.getByTestId('link').textContent())!
  expect(address).toMatch(new RegExp(`^${shop.secure}/guest#uldo_\\S{20,}$`))
  await expect(links.locator('[data-link="Harbour trust"]')).toContainText('made by Maren, never opened')

  // A browser that the shop has never seen: no passphrase is asked for, and nothing else of the shop is.
  const errors: string[] = []
  const { page: guest } = await openPage(await shop.browser(), errors)
  const asked: string[] = []
  guest.on('request', (request) => request.url().includes('/api/') && asked.push(new URL(request.url()).pathname))
  await guest.goto(address)
  const paper = guest.getByTestId('paper')
  const hot = paper.getByRole('row', { name: /^Idle, hot/ })
  await expect(hot).toContainText(/predicted.*under 1\.40/s)
  await expect(guest.getByTestId('guest-terms')).toContainText('For Harbour trust, by Maren. To read only')
  expect([...new Set(asked)].sort()).toEqual(['/api/access', '/api/guest'])
  expect(asked.join()).not.toContain('uldo_')
  await expect(guest.getByRole('textbox')).toHaveCount(0)
  const file = guest.waitForEvent('download')
  await guest.getByRole('button', { name: 'PDF', exact: true }).click()
  const words = (await pagesOf(readFileSync(await (await file).path()))).join(' ').replace(/\s+/g, ' ')
  expect(words).toContain('For Harbour trust, from the record as it stood')
  await guest.getByLabel('Paper').click()
  await guest.getByRole('option', { name: 'Build sheet' }).click()
  await expect(paper.getByRole('table', { name: 'Bearings', exact: true }).getByRole('row')).toHaveCount(1 + 7 + 6)
  await expect(paper.locator('[data-paper-drawing="crank"] svg')).toBeVisible()
  expect(errors).toEqual([])

  // It stands for the record as it is then: a journal that was ground shows.
  const before = await hotOf(guest)
  await bench.goto(`${shop.own}/build/${id}/bearings`)
  await record(bench, { 'main.3.bore': '66.090' })
  await saved(bench)
  await guest.reload()
  await expect(hot).toBeVisible()
  expect(await hotOf(guest)).toBeLessThan(before)

  // Its secret opens no other route, whatever it is shown as.
  const secret = address.split('#')[1]
  const bearer = { authorization: `Bearer ${secret}` }
  for (const path of [
    `/api/builds/${id}`,
    `/api/builds/${id}/file`,
    '/api/builds',
    '/api/house',
    `/api/builds/${id}/links`,
  ])
    expect((await shop.ask('GET', path, { headers: bearer })).status, path).toBe(401)
  expect((await shop.ask('GET', '/api/guest')).status).toBe(404)
  expect((await shop.ask('GET', '/api/guest', { headers: { authorization: `Bearer ${secret}x` } })).status).toBe(404)
  const { json } = await shop.ask('GET', '/api/guest', { headers: bearer })
  expect(Object.keys(json as object).sort()).toEqual(['house', 'madeBy', 'name', 'sheet', 'until'])
  // A reader makes and ends none; an engine to learn on has none.
  const cookie = await shop.signIn('Tobi')
  for (const [method, path] of [
    ['POST', `/api/builds/${id}/links`],
    ['DELETE', `/api/builds/${id}/links/${id}`],
  ])
    expect((await shop.ask(method, path, { headers: { cookie, origin: shop.secure }, body: {} })).status).toBe(403)
  const sandbox = (await own(shop, 'POST', '/api/builds/sandbox', { id: crypto.randomUUID() })).json as { id: string }
  const until = new Date(Date.now() + 86400e3).toISOString()
  expect((await own(shop, 'POST', `/api/builds/${sandbox.id}/links`, { name: 'x', until })).status).toBe(409)

  await bench.goto(`${shop.own}/build/${id}/logbook?view=papers`)
  await bench.getByRole('button', { name: 'Links for customers' }).click()
  await expect(links.locator('[data-link="Harbour trust"]')).toContainText('last opened')
  await links.getByRole('button', { name: 'End the link for Harbour trust' }).click()
  await expect(links).toContainText('No link stands.')
  await guest.reload()
  await expect(guest.getByRole('alert')).toContainText('This link opens nothing, or no longer')
  await expect(paper).toHaveCount(0)
})

/** What hot idle should read by the card that is open, bar. */
async function hotOf(guest: Awaited<ReturnType<typeof openPage>>['page']): Promise<number> {
  await guest.getByLabel('Paper').click()
  await guest.getByRole('option', { name: 'Owner’s gauge card' }).click()
  const words = await guest
    .getByTestId('paper')
    .getByRole('row', { name: /^Idle, hot/ })
    .getByRole('cell')
    .first()
    .textContent()
  return Number.parseFloat(words!)
}
