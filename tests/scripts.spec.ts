import { randomUUID } from 'node:crypto'
import { expect, openPage, test } from './network'
import { change } from './intruder'

test('a script that was typed into a field is words wherever it is shown', async ({ shop }) => {
  const script =
    '"><img src=x onerror="window.taken=1"><script>window.taken=1</script>{{constructor.constructor(\'window.taken=1\')()}}'
  const cookie = await shop.signIn('Maren')
  const as = (method: string, path: string, body: unknown) =>
    shop.ask(method, path, { headers: { cookie, 'user-agent': script }, body })
  const ok = async (answer: Promise<{ status: number; text: string }>) => {
    const { status, text } = await answer
    expect(status, text).toBeLessThan(300)
  }
  const short = script.slice(0, 59)
  const build = (
    await as('POST', '/api/builds', {
      preset: 'inline4',
      name: script.slice(0, 110),
      engine: script.slice(0, 110),
      work: script,
    })
  ).json as { id: string; sheet: { layout: unknown } }
  const stamp = { by: 'Maren', at: '2026-05-11T08:00:00Z' }
  await ok(
    as(
      'POST',
      `/api/builds/${build.id}/entries`,
      change('Maren', [
        {
          op: 'add',
          path: '/readings/main.1.journal',
          value: {
            value: 0.056985,
            source: 'measured',
            ...stamp,
            note: script,
            instrument: short,
            typed: script.slice(0, 40),
          },
        },
        { op: 'add', path: '/inspections/pump.cover', value: { finding: 'seen', note: script, ...stamp } },
        { op: 'add', path: '/choices/relief.stack', value: short },
        { op: 'add', path: '/checks/pump.turns', value: { state: 'fault', note: script, ...stamp } },
      ]),
    ),
  )
  await ok(
    as(
      'POST',
      '/api/house/changes',
      change('Maren', [
        { op: 'add', path: '/cautions/-', value: { station: 'bearings', words: script } },
        {
          op: 'add',
          path: '/instruments/-',
          value: { name: script.slice(0, 80), resolution: 1e-6, repeatability: 1e-6 },
        },
        { op: 'add', path: '/rules/floor.idleHot', value: { value: 1e5, reason: script } },
        { op: 'add', path: '/layouts/-', value: { name: script.slice(0, 80), layout: build.sheet.layout } },
      ]),
    ),
  )
  await ok(as('POST', '/api/people', { name: short, role: 'builder' }))
  await ok(as('POST', '/api/tokens', { name: short.replace('>', ''), kind: 'logger' }))
  await ok(
    as('POST', '/api/shelf/items', {
      kind: 'washer',
      label: script.slice(0, 80),
      engine: short,
      count: 1,
      place: short,
      note: script,
      properties: { thickness: 0.001 },
    }),
  )
  const run = randomUUID()
  await ok(
    as('POST', `/api/builds/${build.id}/runs`, { id: run, kind: 'start', who: 'Maren', setup: { source: 'logger' } }),
  )
  for (const kind of ['note', 'mark', 'end'])
    await ok(
      as('POST', `/api/runs/${run}/events`, {
        clientKey: randomUUID(),
        time: 1,
        kind,
        words: script,
        data: {},
        who: 'Maren',
      }),
    )
  // A wrong sign-in by a device that calls itself a script.
  await shop.ask('POST', '/api/access/passphrase', { headers: { 'user-agent': script }, body: { passphrase: script } })

  const errors: string[] = []
  const { page, context } = await openPage(await shop.browser(), errors)
  await context.addCookies([
    {
      name: cookie.split('=')[0],
      value: cookie.split('=')[1],
      url: shop.secure,
      secure: true,
      httpOnly: true,
      sameSite: 'Strict',
    },
  ])
  page.on('dialog', () => errors.push('a dialog'))
  const stations = ['brief', 'bearings', 'pump', 'relief', 'pickup', 'passages', 'outlook', 'prime', 'start'].map(
    (station) => `/build/${build.id}/${station}`,
  )
  for (const path of [
    '/',
    '/shelf',
    ...['limits', 'instruments', 'people', 'devices', 'cautions'].map((view) => `/house?view=${view}`),
    ...stations,
    `/build/${build.id}/bearings?at=main.1`,
  ]) {
    await page.goto(shop.secure + path)
    await expect(page.locator('main')).toContainText(/\w{3}/)
    await page.waitForTimeout(250)
    expect(
      await page.evaluate(() => ({
        taken: 'taken' in window,
        strange: document.querySelectorAll('img[src="x"], main script').length,
      })),
      path,
    ).toEqual({ taken: false, strange: 0 })
  }
  // What is given out as a file or a drawing holds it as words too.
  const label = await shop.ask('GET', `/api/builds/${build.id}/label`, { headers: { cookie } })
  expect(label.text).not.toContain('<img src=x')
  expect(label.text).not.toContain('<script>')
  expect(errors.filter((error) => !/Failed to load resource|A form field|DOM/.test(error))).toEqual([])
})
