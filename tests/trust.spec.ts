import { randomUUID } from 'node:crypto'
import { buildId, expect, field, ontoTheBoard, record, type Running, saved, test } from './server'

const json = { 'content-type': 'application/json' }
const put = (key: string, value: number) => ({
  op: 'add',
  path: `/readings/${key}`,
  value: { value, source: 'measured', at: '2026-05-20T08:00:00Z' },
})
async function write(server: Running, id: string, patch: unknown[], who = 'Ilse') {
  const { revision } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { revision: number }
  const response = await fetch(`${server.address}/api/builds/${id}/entries`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ clientKey: randomUUID(), device: randomUUID(), base: revision, who, patch }),
  })
  expect(response.ok, await response.text()).toBe(true)
}
async function newBuild(server: Running, preset = 'inline4') {
  return (
    (await (
      await fetch(`${server.address}/api/builds`, {
        method: 'POST',
        headers: json,
        body: JSON.stringify({ preset, name: 'Nothing yet', engine: 'Blank 2.0' }),
      })
    ).json()) as { id: string }
  ).id
}
const states = (page: import('@playwright/test').Page) =>
  page.locator('[data-state]').evaluateAll((all) => all.map((each) => (each as HTMLElement).dataset.verdict))

test('a build with nothing measured passes nothing, and says which reading would change the word', async ({
  server,
  bench: page,
}) => {
  const id = await newBuild(server)
  await page.goto(`${server.address}/build/${id}/brief`)
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  expect(new Set(await states(page))).toEqual(new Set(['assumed']))
  await expect(page.locator('[data-state="idleHot"]')).toContainText('measure main 1 journal, 3 more')
  await expect(page.locator('[data-state="workingHot"]')).toContainText(', 4 more')
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: /Nothing yet/ }).getByTestId('floor-says')).toContainText('assumed')
  await expect(page.getByRole('link', { name: /Nothing yet/ }).getByTestId('floor-says')).toContainText(
    /to go: Brief \d+, Bearings \d+/,
  )
})

test('once the gauge was read its word stands, on strip, Floor, Outlook and at the gate, on a phone too', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await write(server, id, [put('start.idleHot.pressure', 0.8e5)])
  await page.goto(`${server.address}/build/${id}/start`)
  const idle = page.locator('[data-state="idleHot"]')
  await expect(idle).toHaveAttribute('data-verdict', 'stop')
  await expect(idle.getByTestId('measured')).toContainText('0.8')
  await expect(idle).toContainText('read below the prediction')
  await expect(idle.getByTestId('pressure')).toContainText('2.9')
  // Nor is anything else of that record passed any more.
  expect(await states(page)).toEqual(['watch', 'watch', 'stop', 'watch'])
  await expect(page.locator('[data-state="workingHot"]').getByTestId('doubted')).toBeVisible()
  await expect(page.getByTestId('clear-to-start')).toContainText('Not yet')
  await expect(page.locator('[data-gate="start"]')).toContainText('idle hot under its target')
  await page.goto(`${server.address}/build/${id}/outlook`)
  await expect(page.getByRole('region', { name: 'Judgement' })).toContainText('Idle hot, 0.80 bar read.')
  await page.setViewportSize({ width: 390, height: 800 })
  await expect(idle.getByTestId('measured')).toBeVisible()
  await expect(idle.getByTestId('pressure')).toBeVisible()
  await page.setViewportSize({ width: 1280, height: 800 })
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: /Ottiline/ }).getByTestId('floor-says')).toContainText(
    'Idle hot read 0.80 bar',
  )
})

test('what cannot be computed is void everywhere, by name, and is so no more once it is mended', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.3.bore': '65.9' })
  await expect(page.getByRole('alert')).toContainText('check both')
  await page.keyboard.press('F2')
  await expect(page.getByTestId('void')).toContainText('main 3 bore')
  expect(new Set(await states(page))).toEqual(new Set(['void']))
  for (const station of ['prime', 'start']) {
    await page.goto(`${server.address}/build/${id}/${station}`)
    await expect(page.getByTestId('void')).toContainText('the bore is not larger than the journal')
    await expect(page.getByTestId(station === 'prime' ? 'clear-to-prime' : 'clear-to-start')).toContainText('Not yet')
  }
  await page.goto(`${server.address}/build/${id}/pickup`)
  await page.getByRole('button', { name: /^Seal new.*fault/ }).click()
  await expect(page.getByTestId('strip-void')).toContainText('seal new, in place, not pinched: fault')
  await page.goto(`${server.address}/build/${id}/bearings`)
  await record(page, { 'main.3.bore': '66.036' })
  await expect(page.getByTestId('void')).not.toContainText('main 3 bore')
})

test('a model that does not load, or answers no more, passes nothing; it is asked again by itself', async ({
  server,
  bench: page,
}) => {
  await page.addInitScript(() => {
    const all: Worker[] = []
    Object.assign(window, { models: all })
    window.Worker = class extends Worker {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        if (options?.name === 'model') all.push(this)
      }
    }
  })
  const newest = (what: 'end' | 'break') =>
    page.evaluate((what) => {
      const worker = (window as unknown as { models: Worker[] }).models.at(-1)!
      if (what === 'end') worker.terminate()
      else worker.dispatchEvent(new ErrorEvent('error'))
    }, what)
  const id = await buildId(server, 'Ottiline')
  await page.route(/model\.worker/, (route) => route.abort())
  await page.goto(`${server.address}/build/${id}/prime`)
  await expect(page.getByTestId('strip-failed')).toContainText('the model did not load')
  await expect(page.getByTestId('clear-to-prime')).toContainText('Not yet')
  await page.unroute(/model\.worker/)
  await expect(page.getByTestId('strip-failed')).toHaveCount(0)
  await expect(page.getByTestId('clear-to-prime')).toContainText('Clear to prime')
  await page.goto(`${server.address}/build/${id}/pump`)
  await expect.poll(() => states(page)).toContain('pass')
  await newest('end')
  await record(page, { 'pump.endClearance': '0.09' })
  await expect.poll(() => states(page)).toEqual(['unknown', 'unknown', 'unknown', 'unknown'])
  await expect(page.getByTestId('strip-late')).toContainText('of the record before')
  await newest('break')
  await expect(page.getByTestId('strip-failed')).toContainText('broke off')
  await expect.poll(() => states(page)).toContain('pass')
})

test('a doubtful value is kept by F2 alone: the next reading’s keys go over it, and its Enter keeps nothing; what is impossible is refused', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.7' })
  await expect(page.getByRole('alert')).toContainText('Use 0.070 mm')
  await expect(field(page, 'pump.endClearance')).toBeFocused()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Use 0.070 mm')
  await page.keyboard.type('0.08')
  await page.keyboard.press('Enter')
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.080')
  await record(page, { 'pump.tipClearance': '-0.07' })
  await expect(page.getByRole('alert')).toContainText('Tip clearance must be greater than zero')
  await expect(field(page, 'pump.tipClearance')).toHaveValue('-0.07')
  await page.keyboard.press('Escape')
  await record(page, { 'pump.tipClearance': '0.7' })
  await expect(page.getByRole('alert')).toContainText('Usual is')
  // What is typed and not settled is there again after a reload, with its question; a half-typed value is not written by itself.
  await page.reload()
  await expect(page.getByRole('alert')).toContainText('Usual is')
  await expect(field(page, 'pump.tipClearance')).toHaveValue('0.7')
  await field(page, 'pump.endClearance').fill('0.09')
  await page.reload()
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.09')
  await expect(page.getByText('Typed and not written yet')).toBeVisible()
  expect(
    (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'].value,
  ).toBeCloseTo(80e-6, 9)
  await field(page, 'pump.endClearance').focus()
  await page.keyboard.press('Escape')
  await field(page, 'pump.tipClearance').focus()
  await page.keyboard.press('F2')
  await expect(field(page, 'pump.tipClearance')).toHaveClass(/confirmed/)
})

test('undo says what it undid, and asks before it reaches a station that is not on the screen', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09' })
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: 'Pickup' }).click()
  await expect(page.locator('h1')).toHaveText('Pickup')
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(page.getByTestId('step-news')).toContainText('End clearance was written at another station')
  await saved(page)
  expect(
    (
      (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
        value: number
      }
    ).value,
  ).toBeCloseTo(90e-6, 9)
  await page.getByTestId('step-news').getByRole('link', { name: 'Go there' }).click()
  await page.locator('h1').click()
  await page.keyboard.press('z')
  await expect(page.getByTestId('step-news')).toContainText('Undone: End clearance')
  await expect(field(page, 'pump.endClearance')).toHaveValue('0.07')
})

test('a conflict outlives a reload and is found again from any page; a copied tab overwrites nothing in silence', async ({
  server,
  bench: page,
  context,
}) => {
  const [id, other] = [await buildId(server, 'Rescue tractor 2'), await buildId(server, 'Ottiline')]
  await page.goto(`${server.address}/build/${id}/bearings`)
  await expect(field(page, 'rod.3.journal')).toBeVisible()
  await page.route('**/entries', (route) => route.abort())
  await record(page, { 'rod.3.journal': '49.987' })
  await expect(page.getByTestId('saving')).toContainText('kept here')
  await write(server, id, [put('rod.3.journal', 0.04999)])
  // Another build is open when the answer comes.
  await page.goto(`${server.address}/build/${other}/pump`)
  await page.unroute('**/entries')
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal: Ilse wrote', { timeout: 20_000 })
  await expect(page.getByTestId('saving')).toHaveText('1 to settle')
  await page.reload()
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal')
  await page.goto(server.address)
  // Elsewhere neither value stands without its unit, and nothing is settled unseen.
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 3 journal: Ilse wrote there')
  await expect(page.locator('[data-apart="conflict"]')).not.toContainText(/0\.04999|49\.987/)
  await expect(page.locator('[data-apart="conflict"]').getByRole('button')).toHaveCount(0)
  await page.locator('[data-apart="conflict"]').getByRole('link').click()
  await expect(page.locator('[data-apart="conflict"]')).toContainText('49.990 mm at')
  await page.getByRole('button', { name: 'Write 49.987 mm' }).click()
  await saved(page)
  await page.goto(`${server.address}/build/${id}/bearings`)
  await expect(field(page, 'rod.3.journal')).toHaveValue('49.987')
  // A tab that was copied has an identity of its own: offline in both, the second is asked.
  const copied = context.waitForEvent('page')
  await page.evaluate(() => {
    const link = Object.assign(document.createElement('a'), { href: location.href, target: '_blank', rel: 'opener' })
    document.body.append(link)
    link.click()
    link.remove()
  })
  const copy = await copied
  // Copied with what the tab itself keeps.
  expect(await copy.evaluate(() => window.opener !== null)).toBe(true)
  await expect(field(copy, 'rod.4.journal')).toBeVisible()
  for (const each of [page, copy]) await each.route('**/entries', (route) => route.abort())
  await record(page, { 'rod.4.journal': '49.985' })
  await write(server, id, [put('rod.4.journal', 0.04998)])
  for (const each of [page, copy]) await each.unroute('**/entries')
  await expect(page.locator('[data-apart="conflict"]')).toContainText('Rod 4 journal', { timeout: 20_000 })
  await expect(copy.locator('[data-apart="conflict"]')).toContainText('Rod 4 journal')
  await page.getByRole('button', { name: /^Keep 49.980/ }).click()
  await expect(copy.locator('[data-apart="conflict"]')).toHaveCount(0)
})

test('a text that no record can hold is refused and holds up nothing behind it', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump?view=close`)
  await page.getByLabel('Year or form').evaluate((input) => {
    ;(input as HTMLInputElement).value = 'late\0'
    input.dispatchEvent(new Event('change', { bubbles: true }))
  })
  await expect(page.locator('[data-apart="refused"]')).toContainText('holds a character that cannot be kept')
  await page.goto(`${server.address}/build/${id}/pump`)
  await record(page, { 'pump.endClearance': '0.09' })
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
            value: number
          }
        ).value,
    )
    .toBeCloseTo(90e-6, 9)
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await saved(page)
})

test('a browser that keeps nothing says so loudly, and goes on', async ({ server, bench: page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open: () => {
          throw new DOMException('denied', 'SecurityError')
        },
      },
    })
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('denied', 'SecurityError')
      },
    })
  })
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/pump`)
  await expect(page.getByRole('alert').first()).toContainText('keeps nothing on its disk')
  await record(page, { 'pump.endClearance': '0.09' })
  await expect(page.getByTestId('saving')).toHaveText('sent, not kept here')
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['pump.endClearance'] as {
            value: number
          }
        ).value,
    )
    .toBeCloseTo(90e-6, 9)
})

test('pressed twice, a build is begun once', async ({ server, bench: page }) => {
  await page.goto(`${server.address}/?new`)
  await page.getByLabel('Name').fill('Twice')
  await page.getByLabel('Engine').fill('Blank 2.0')
  await page.getByRole('button', { name: 'Start build' }).dblclick()
  await expect(page).toHaveURL(/\/brief$/)
  const builds = (await (await fetch(`${server.address}/api/builds`)).json()) as { name: string }[]
  expect(builds.filter(({ name }) => name === 'Twice')).toHaveLength(1)
})

test('with every page of it shut the server’s watch calls a loss: STOP in every open tab, and the next start asks what was found', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/shelf`)
  const floor = await context.newPage()
  await floor.goto(server.address)
  await expect(floor.getByRole('link', { name: /Ottiline/ })).toBeVisible()
  const run = randomUUID()
  // A tablet whose clock is a year ahead: only what lies between its two times counts.
  const ahead = Date.now() + 365 * 86_400_000
  await fetch(`${server.address}/api/builds/${id}/runs`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({
      id: run,
      kind: 'start',
      who: 'Maren',
      setup: { source: 'logger' },
      begunAt: ahead,
      sentAt: ahead + 2000,
    }),
  })
  const send = (samples: object[]) =>
    fetch(`${server.address}/api/runs/${run}/samples`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify(samples),
    }).then((response) => response.json())
  const stretch = (from: number, to: number, pressure: number) =>
    Array.from({ length: Math.round(10 * (to - from)) }, (_, i) => ({
      time: Number((from + i / 10).toFixed(1)),
      pressure,
      speed: 15,
    }))
  expect(await send([{ time: 0, pressure: 0, speed: 0 }, ...stretch(0.1, 20, 3.5e5)])).toMatchObject({
    taken: 200,
    known: 0,
  })
  expect(await send(stretch(19, 20, 3.5e5))).toMatchObject({ taken: 0, known: 10 })
  expect(await send([{ pressure: 3.5e5, speed: 15 }])).toMatchObject({ taken: 1 })
  expect(await send(stretch(25, 29, 0.02e5))).toMatchObject({ taken: 40 })
  for (const each of [page, floor]) {
    await expect(each.getByTestId('alarm')).toHaveAttribute('data-alarm', 'lost')
    await expect(each.getByTestId('alarm')).toContainText('Ottiline: pressure is lost')
  }
  // A page that opens now is told too; nobody has touched it, so it says that it cannot sound.
  const late = await context.newPage()
  await late.goto(`${server.address}/house`)
  await expect(late.getByTestId('alarm')).toBeVisible()
  await page.getByRole('button', { name: 'Seen here' }).click()
  await expect(page.getByTestId('alarm')).toHaveCount(0)
  await fetch(`${server.address}/api/runs/${run}/events`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ clientKey: randomUUID(), time: 30, kind: 'stop', words: 'off', who: 'Maren' }),
  })
  await expect(floor.getByTestId('alarm')).toHaveCount(0)
  await fetch(`${server.address}/api/runs/${run}/events`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ clientKey: randomUUID(), time: 31, kind: 'end', words: 'stopped: lost', who: 'Maren' }),
  })
  await floor.reload()
  await expect(floor.getByRole('link', { name: /Ottiline/ })).toContainText(
    'Stopped, lost: write what was found and done',
  )
  await page.goto(`${server.address}/build/${id}/start`)
  const gate = page.locator('[data-gate="stopped"]')
  await expect(gate).toContainText('was stopped: lost')
  await gate.getByRole('textbox').fill('pickup seal pinched; a new one fitted')
  await ontoTheBoard(page)
  await page.getByRole('button', { name: 'Back to the bench' }).click()
  await expect
    .poll(
      async () =>
        (
          (await (await fetch(`${server.address}/api/builds/${id}/runs`)).json()) as {
            id: string
            found: string | null
          }[]
        ).find((each) => each.id === run)!.found,
    )
    .toBe('trial on the bench')
})

test('a start whose record no model can be made of: the deadline stops it, and the board never says GO', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await write(server, id, [put('main.3.bore', 0.0659)])
  await page.goto(`${server.address}/build/${id}/start`)
  await expect(page.getByTestId('void')).toBeVisible()
  await ontoTheBoard(page)
  await expect(page.getByTestId('board-word')).toHaveText('Watching in part')
  await expect(page.getByTestId('blind')).toContainText(/only deadline, ceiling and loss of pressure are watched/i)
  const press = (name: string) => page.getByRole('dialog').getByRole('button', { name, exact: true }).click()
  await press('Crank')
  await press('Fired')
  await expect(page.getByTestId('stop-reason')).toHaveText('No pressure within 5 s of firing.', { timeout: 9000 })
})

test('a start that is switched off before anything was read says just that, and is no start', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/start`)
  await ontoTheBoard(page)
  await page.getByRole('dialog').getByRole('button', { name: 'Off', exact: true }).click()
  await expect
    .poll(
      async () =>
        ((await (await fetch(`${server.address}/api/builds/${id}/runs`)).json()) as { outcome: string | null }[])[0]
          .outcome,
    )
    .toBe('nothing was read')
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: /Ottiline/ })).not.toContainText(/\bRan\b/)
})

test('a prime by hand over the limit of filter and seals is STOP at once, and is never primed', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/prime?view=live`)
  await page.getByRole('button', { name: 'Begin the prime' }).click()
  await page.getByRole('button', { name: 'Drill on' }).click()
  // Nothing was read: no number, and no green.
  const word = page.locator('.word', { has: page.getByTestId('prime-word') })
  await expect(page.getByTestId('prime-word')).toHaveText('Going on')
  await expect(page.getByTestId('live-pressure')).not.toContainText('0.00')
  await expect(word).not.toHaveClass(/\bfine\b/)
  await page.getByTestId('typed-reading').fill('15 bar')
  await page.getByRole('button', { name: 'Write down' }).click()
  await expect(page.getByTestId('prime-word')).toHaveText('Stop: over the limit')
  // The needle has fallen, and the page was opened anew: it stays stopped.
  await page.getByTestId('typed-reading').fill('4 bar')
  await page.getByRole('button', { name: 'Write down' }).click()
  await expect(page.getByTestId('live-pressure')).toContainText('4.00')
  await page.reload()
  await expect(page.getByTestId('live-pressure')).toContainText('4.00')
  await expect(page.getByTestId('prime-word')).toHaveText('Stop: over the limit')
  await page.getByTestId('finish').click()
  await expect(page.getByTestId('prime-word')).toHaveText(/stopped: over the limit/)
  await expect(word).toHaveClass(/\bstop\b/)
  const outcome = async () =>
    ((await (await fetch(`${server.address}/api/builds/${id}/runs`)).json()) as { outcome: string | null }[])[0].outcome
  await expect.poll(outcome).toBe('stopped: over the limit')
  expect(
    (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet.readings['prime.checkPressure'],
  ).toBeUndefined()
  await page.goto(server.address)
  await expect(page.getByRole('link', { name: /Ottiline/ })).not.toContainText('Primed')
  await expect(page.getByRole('link', { name: /Ottiline/ })).toContainText(
    'over the limit: write what was found and done',
  )
  // The next start asks what was found.
  await page.goto(`${server.address}/build/${id}/start`)
  await expect(page.locator('[data-gate="stopped"]')).toContainText('The prime of')
  await expect(page.locator('[data-gate="stopped"]')).toContainText('was stopped: over the limit')
})
