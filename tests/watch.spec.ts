import { randomUUID } from 'node:crypto'
import { buildId, expect, ontoTheBoard, test } from './server'
import { json, put, write } from './keptBuild'

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
  // Nothing was read: no number, and no green. On a slow machine the seconds until oil is due at the pad have passed by then.
  const word = page.locator('.word', { has: page.getByTestId('prime-word') })
  await expect(page.getByTestId('prime-word')).toHaveText(/^(Going on|Stop: no oil at the pad)$/)
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
