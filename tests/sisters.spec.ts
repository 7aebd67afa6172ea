import { randomUUID } from 'node:crypto'
import type { Sheet } from '../core/record/schema'
import { buildId, expect, type Running, test } from './server'
import { json } from './keptBuild'

const STATES = ['idleCold', 'idleHot', 'workingHot'] as const
/** What earlier engines of the kind read at hot idle, as a share of what is predicted. */
const READ = [0.95, 0.94, 0.965, 0.945, 0.955]

/** Takes an engine in that is as another was measured, with its gauge read and a pickup of its own. */
async function takeIn(
  server: Running,
  sheet: Sheet,
  name: string,
  read: number[],
  floor: number,
  at = '2026-11-01T10:00:00Z',
) {
  const readings = structuredClone(sheet.readings)
  const put = (key: string, value: number) => (readings[key] = { value, source: 'measured', at, by: 'Ilse' })
  STATES.forEach((state, i) => put(`start.${state}.pressure`, read[i] * 1e3))
  put('pickup.tubeLength', floor)
  const answer = await fetch(`${server.address}/api/builds`, {
    method: 'POST',
    headers: json,
    body: JSON.stringify({ id: randomUUID(), sheet: { ...sheet, name, readings } }),
  })
  expect(answer.status, await answer.clone().text()).toBe(201)
}

test('five earlier engines that read five percent under move the next one’s prediction and narrow it; one far off is named; it can be switched off', async ({
  server,
  bench: page,
}) => {
  const id = await buildId(server, 'Ottiline')
  const { sheet } = (await (await fetch(`${server.address}/api/builds/${id}`)).json()) as { sheet: Sheet }
  const hot = page.locator('[data-state="idleHot"]')
  await page.goto(`${server.address}/build/${id}/logbook?view=sisters`)
  await expect(page.getByTestId('habit')).toContainText('From 3 started engines on')
  await expect(page.getByTestId('strip-experience')).toHaveCount(0)
  // In kPa a figure says more than in bar.
  await page.keyboard.press('u')
  await expect(hot.getByTestId('pressure')).toHaveText(/^\d{3}$/)
  const predicted = await Promise.all(
    STATES.map(async (state) =>
      Number(await page.locator(`[data-state="${state}"]`).getByTestId('pressure').textContent()),
    ),
  )
  const alone = predicted[1]
  expect(alone).toBeGreaterThan(200)
  for (const [i, share] of READ.entries())
    await takeIn(server, sheet, `Ferry engine ${i + 1}`, [predicted[0], share * alone, predicted[2]], 0.2 + 0.002 * i)
  await takeIn(server, sheet, 'Ferry engine with a fault', [300, 60, 200], 0.204)
  // Its gauge was read before it was measured as it is now: it says nothing of that.
  await takeIn(server, sheet, 'Ferry engine, rebuilt since', [300, 200, 400], 0.204, '2026-01-01T10:00:00Z')
  await page.reload()
  await expect(page.getByTestId('habit')).toHaveText(
    /Your last 5 engines read [45]\.\d\s% under prediction at hot idle, ±[01]\.\d\s%\./,
  )
  await expect(page.locator('[data-started="Ferry engine with a fault"]')).toContainText(
    /no: .+ by chance\. Look for a fault/,
  )
  await expect(page.getByTestId('silent')).toContainText(
    'Ferry engine, rebuilt since (measured again after its gauge was read)',
  )
  await expect(page.locator('[data-started="Ferry engine 1"]')).toContainText('yes, as a sister')
  await expect(page.getByTestId('strip-experience')).toContainText(/last 5 engines: they read [45] % under prediction/)
  await expect(page.locator('[data-learned="idleHot"]')).toBeVisible()
  const learnt = Number(await hot.getByTestId('pressure').textContent())
  expect(learnt / alone).toBeGreaterThan(0.94)
  expect(learnt / alone).toBeLessThan(0.975)
  await expect(page.getByTestId('outliers')).toContainText('tube length')
  await expect(page.locator('[data-spread="pickup.tubeLength"]')).toHaveAttribute('data-outlier', 'yes')

  // The file takes it along, to be predicted the same elsewhere.
  const file = (await (await fetch(`${server.address}/api/builds/${id}/file`)).json()) as Sheet
  expect(file.experience).toMatchObject({ engines: 5 })

  // Off, the record stands alone again: for this build, as a choice with its undo.
  await page.getByRole('button', { name: 'In this build: not counted' }).click()
  await expect(page.getByTestId('strip-experience')).toHaveCount(0)
  await expect(hot.getByTestId('pressure')).toHaveText(String(alone))
  await page.keyboard.press('z')
  await expect(page.getByTestId('strip-experience')).toBeVisible()
})
