import type { Locator, Page } from '@playwright/test'
import { tabTo, typeCount } from './controls'
import { buildId, expect, kept, PHOTO, saved, sharing as test, test as alone } from './server'
import { newBuild } from './supplied'

type By = 'clicks' | 'keys'

/** Opens a case by hand. */
async function begin(page: Page, behind: string, when: string, pressure?: string, days?: string): Promise<void> {
  await page.getByRole('button', { name: `What is behind it: ${behind}` }).click()
  if (days) await typeCount(page.getByRole('spinbutton', { name: 'Days it stood' }), days)
  await page.getByRole('button', { name: `When: ${when}` }).click()
  if (pressure !== undefined) {
    await page.getByLabel('What the gauge read').fill(pressure)
    await page.getByLabel('What the gauge read').press('Enter')
  }
  await page.getByRole('button', { name: 'Open a case' }).click()
  await expect(page.getByTestId('trace-causes').locator('li').first()).toBeVisible()
}

/** Presses a button, by the pointer or by the keyboard. */
async function press(button: Locator, by: By): Promise<void> {
  if (by === 'clicks') return button.click()
  await button.focus()
  await button.press('Enter')
}

/** Answers a check where it is asked: among the first, the next, or all of them. */
async function answer(page: Page, check: string, words: string, by: By = 'clicks'): Promise<void> {
  const asked = page.locator(`[data-ask="${check}"], [data-check="${check}"]`).first()
  const more = page.getByTestId('trace-next').getByRole('button', { name: /more checks?$/ })
  await expect(asked.or(more).first()).toBeVisible()
  if (!(await asked.isVisible())) await press(more, by)
  await press(asked.getByRole('button', { name: words, exact: true }), by)
  await expect(page.locator(`[data-known="${check}"]`)).toBeVisible()
}

const first = (page: Page) => page.getByTestId('trace-causes').locator('li').first()

async function mend(page: Page, done: string, by: By = 'clicks'): Promise<void> {
  const what = page.getByTestId('trace-end').getByRole('combobox', { name: 'What it was' })
  if (by === 'clicks') {
    await what.click()
    await page.getByRole('option').nth(1).click()
  } else {
    await what.focus()
    for (const key of ['Enter', 'ArrowDown', 'Enter']) await page.keyboard.press(key)
  }
  await page.getByLabel('What was done').fill(done)
  await page.getByLabel('What was done').press('Enter')
}

async function close(page: Page, done: string, by: By = 'clicks'): Promise<void> {
  await mend(page, done, by)
  await press(page.getByRole('button', { name: 'Close the case' }), by)
  await expect(page.getByTestId('closed-cases')).toContainText(done)
}

const CASES = [
  {
    name: 'a full filter before an air gap after a rebuild',
    behind: 'fresh build',
    when: 'while cranked',
    pressure: '0 bar',
    answers: [
      ['oil-level', 'to the mark'],
      ['drive', 'turns, right way'],
      ['oil-at-pad', 'nothing comes'],
      ['filter', 'full'],
    ],
    cause: 'air-lock',
  },
  {
    name: 'nothing drives the pump',
    behind: 'fresh build',
    when: 'at its first run',
    pressure: '0 bar',
    answers: [['drive', 'does not turn']],
    cause: 'undriven',
  },
  {
    name: 'a relief plunger that hangs',
    behind: 'it ran',
    when: 'idling hot',
    pressure: '0.6 bar',
    answers: [
      ['oil-level', 'to the mark'],
      ['mechanical-gauge', 'reads the same'],
      ['relief', 'dirt or a burr'],
    ],
    cause: 'relief-sticks',
  },
  {
    name: 'a pump that lost its prime in eight weeks of standing',
    behind: 'it stood',
    days: '56',
    when: 'while cranked',
    pressure: '0 bar',
    answers: [
      ['oil-level', 'to the mark'],
      ['drive', 'turns, right way'],
      ['oil-at-pad', 'nothing comes'],
      ['filter', 'dry'],
    ],
    cause: 'dry-pump',
  },
] as const

for (const each of CASES)
  test(`${each.name} is found by the cheap checks, by clicks and without the network by keys, and the case is closed`, async ({
    server,
    bench: page,
    context,
  }) => {
    await page.goto(`${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/trace`)
    await begin(page, each.behind, each.when, each.pressure, 'days' in each ? each.days : undefined)
    // Nothing that takes an engine apart is proposed first.
    await expect(page.getByTestId('trace-next').locator('[data-check]').first()).not.toContainText('takes things apart')
    const middle = Math.floor(each.answers.length / 2)
    for (const [check, words] of each.answers.slice(0, middle)) await answer(page, check, words)
    await kept(page)
    await context.setOffline(true)
    for (const [check, words] of each.answers.slice(middle)) await answer(page, check, words, 'keys')
    await expect(first(page)).toHaveAttribute('data-cause', each.cause)
    await press(first(page).getByRole('button'), 'keys')
    await expect(first(page)).toContainText('for it:')
    await close(page, 'done and tried', 'keys')
    await context.setOffline(false)
    await saved(page)
  })

test('a deleted cooler with its valve left in: the valve, by what the gauge says hot and the layout', async ({
  server,
  bench: page,
  context,
}) => {
  const id = await newBuild(server, 'inline6', { coolerPlugged: true })
  await page.goto(`${server.address}/build/${id}/trace`)
  await begin(page, 'fresh build', 'idling hot', '1.2 bar')
  await answer(page, 'oil-level', 'to the mark')
  await kept(page)
  await context.setOffline(true)
  await answer(page, 'mechanical-gauge', 'reads the same', 'keys')
  await answer(page, 'bypass', 'a wrong one', 'keys')
  await expect(first(page)).toHaveAttribute('data-cause', 'bypass-wrong')
  await close(page, 'valve taken out, ports plugged', 'keys')
  await context.setOffline(false)
  await saved(page)
})

test('two faults: a cover without its gasket is mended, it is as before, and the loose pickup is found next', async ({
  server,
  bench: page,
  context,
}) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/trace`)
  await begin(page, 'fresh build', 'while cranked', '0.1 bar')
  for (const [check, words] of [
    ['oil-level', 'to the mark'],
    ['drive', 'turns, right way'],
    ['oil-at-pad', 'air, or spits'],
    ['air-at-pump', 'bubbles'],
    ['oil-at-cover', 'oil comes out'],
  ] as const)
    await answer(page, check, words)
  // What the camera saw is kept with it.
  await page.getByLabel('Photo of Camera down the drive hole').setInputFiles(PHOTO)
  await expect(page.locator('[data-known="air-at-pump"] img')).toBeVisible()
  await expect(first(page)).toHaveAttribute('data-cause', 'cover-leak')
  await mend(page, 'new gasket under the cover')
  await page.getByRole('button', { name: 'It is as before: look for the next' }).click()
  await expect(page.getByTestId('closed-cases')).toContainText('new gasket')
  // What was seen before belongs to the case before.
  await expect(page.locator('[data-known]')).toHaveCount(0)
  await page.getByRole('button', { name: 'Add a reading' }).click()
  await page.getByLabel('Pressure', { exact: true }).fill('0.1 bar')
  await page.getByLabel('Pressure', { exact: true }).press('Enter')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await kept(page)
  await context.setOffline(true)
  for (const [check, words] of [
    ['oil-at-pad', 'air, or spits'],
    ['air-at-pump', 'bubbles'],
    ['pickup', 'loose'],
  ] as const)
    await answer(page, check, words, 'keys')
  await expect(first(page)).toHaveAttribute('data-cause', 'pickup-air')
  await close(page, 'tube pressed in and wired', 'keys')
  await context.setOffline(false)
  await saved(page)
})

test('a case by the keyboard alone, from its first word to its end', async ({ server, bench: page }) => {
  await page.goto(`${server.address}/build/${await buildId(server, 'Rescue tractor 2')}/trace`)
  const press = async (name: string | RegExp, within: Page | Locator = page) => {
    await tabTo(page, within.getByRole('button', { name, exact: true }).first(), 'Tab', 120)
    await page.keyboard.press('Enter')
  }
  await expect(page.getByRole('button', { name: 'Open a case' })).toBeVisible()
  await press('When: while cranked')
  await tabTo(page, page.getByLabel('What the gauge read'))
  await page.keyboard.type('0 bar')
  await page.keyboard.press('Enter')
  await press('Open a case')
  await expect(first(page)).toBeVisible()
  for (const [check, words] of [
    ['oil-level', 'to the mark'],
    ['drive', 'does not turn'],
  ] as const) {
    await press(words, page.locator(`[data-ask="${check}"]`))
    await expect(page.locator(`[data-known="${check}"]`)).toBeVisible()
  }
  await expect(first(page)).toHaveAttribute('data-cause', 'undriven')
  const end = page.getByTestId('trace-end')
  await tabTo(page, end.getByRole('combobox', { name: 'What it was' }), 'Tab', 120)
  for (const key of ['Enter', 'ArrowDown', 'Enter']) await page.keyboard.press(key)
  await expect(end.getByRole('combobox', { name: 'What it was' })).toHaveText('pump not driven')
  await tabTo(page, page.getByLabel('What was done'))
  await page.keyboard.type('coupling put in')
  await page.keyboard.press('Enter')
  await press('Close the case', end)
  await expect(page.getByTestId('closed-cases')).toContainText('coupling put in')
})

alone(
  'a lamp that stays on with pressure on a mechanical gauge: the lamp; it survives a reload and a lost network',
  async ({ server, bench: page }) => {
    await page.goto(`${server.address}/build/${await buildId(server, 'Ottiline')}/trace`)
    // What cannot be read stays in its field, and no case is opened without it.
    await page.getByLabel('What the gauge read').fill('lots')
    await page.getByLabel('What the gauge read').press('Enter')
    await expect(page.getByRole('button', { name: 'Open a case' })).toBeDisabled()
    await expect(page.getByLabel('What the gauge read')).toHaveValue('lots')
    await page.getByLabel('What the gauge read').fill('')
    await page.getByLabel('What the gauge read').press('Enter')
    await begin(page, 'it ran', 'idling hot')
    await answer(page, 'lamp', 'stays on')
    await page.getByRole('button', { name: 'Add a reading' }).click()
    await page.getByLabel('Pressure', { exact: true }).fill('2.8 bar')
    await page.getByLabel('Pressure', { exact: true }).press('Enter')
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(first(page)).toHaveAttribute('data-cause', 'lamp-only')
    await saved(page)
    await page.reload()
    await expect(first(page)).toHaveAttribute('data-cause', 'lamp-only')
    await expect(page.locator('[data-known="lamp"]')).toContainText('stays on')
    // Not before the page has fetched its parts: the curves' chart comes once it is near.
    await kept(page)
    await server.stop()
    await answer(page, 'oil-level', 'to the mark')
    await expect(first(page)).toHaveAttribute('data-cause', 'lamp-only')
    await close(page, 'a switch for the lamp', 'keys')
    await expect(page.getByTestId('saving')).toContainText(/kept here|waiting/)
  },
)
