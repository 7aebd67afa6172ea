import { GUIDE, GUIDE_PAGES } from '../core/guide/guide'
import { tabTo } from './controls'
import { expect, saved, test } from './server'

test('a guided build: every station by the keyboard alone, on an engine that no list shows, and nothing of it stays', async ({
  server,
  bench: page,
}) => {
  test.setTimeout(180_000)
  await page.goto(`${server.address}/?new`)
  await expect(page.locator('li[data-build]')).toHaveCount(4)
  await tabTo(page, page.getByRole('button', { name: 'Start a guided build' }))
  await page.keyboard.press('Enter')
  const guide = page.getByRole('region', { name: 'Guided build' })
  for (const [i, station] of GUIDE_PAGES.entries()) {
    await expect(page).toHaveURL(new RegExp(`/${station}\\b`))
    const wanted = GUIDE[station]
    await expect(guide.getByTestId('guide-sees')).toHaveCount(0)
    if (wanted.kind === 'reading') {
      const before = await page.locator('[data-state="idleHot"]').getByTestId('pressure').textContent()
      expect(before).toMatch(/^\d/)
    }
    await tabTo(page, guide.getByRole('button', { name: 'Show me where' }), 'Shift+Tab')
    await page.keyboard.press('Enter')
    if (wanted.kind === 'reading') {
      await expect(page.locator(`input[data-reading="${wanted.key}"]`)).toBeFocused()
      await page.keyboard.type(wanted.typed)
      await page.keyboard.press('Enter')
      // What the step did is named, with its undo beside it.
      await expect(page.getByTestId('step-news')).toContainText(/: written\.$|: written\.\s*Undo/)
    } else if (wanted.kind === 'inspection') {
      await tabTo(page, page.locator('section.panel').getByRole('button', { name: /: fitted$/ }))
      await page.keyboard.press('Enter')
    } else if (wanted.kind === 'check') {
      await expect(page.locator(`[data-check="${wanted.key}"] :focus`)).toHaveCount(1)
      await page.keyboard.press('Enter')
    }
    await expect(guide.getByTestId('guide-sees')).toBeVisible()
    await saved(page)
    if (i === GUIDE_PAGES.length - 1) break
    await tabTo(page, guide.getByRole('button', { name: /^On to / }), 'Shift+Tab')
    await page.keyboard.press('Enter')
  }
  await expect(guide).toContainText('That was all nine')
  const id = page.url().split('/')[4]
  // It is no engine of the shop's, and once it is ended it is none at all.
  const listed = async () =>
    ((await (await fetch(`${server.address}/api/builds`)).json()) as { id: string }[]).map((each) => each.id)
  expect(await listed()).not.toContain(id)
  expect((await fetch(`${server.address}/api/builds/${id}`)).status).toBe(200)
  await tabTo(page, guide.getByRole('button', { name: 'End the guide' }), 'Shift+Tab')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Floor' })).toBeVisible()
  expect((await fetch(`${server.address}/api/builds/${id}`)).status).toBe(404)
  await expect(page.locator('li[data-build]')).toHaveCount(4)
})

test('who else has a build open, and where, is said; no more once they are gone', async ({
  server,
  bench: page,
  browser,
}) => {
  const builds = (await (await fetch(`${server.address}/api/builds`)).json()) as { id: string; name: string }[]
  const at = (name: string, station: string) =>
    `${server.address}/build/${builds.find((each) => each.name === name)!.id}/${station}`
  await page.goto(at('Ottiline', 'brief'))
  await expect(page.locator('[data-state="idleHot"]').getByTestId('pressure')).toBeVisible()
  await expect(page.getByTestId('others')).toHaveCount(0)
  const other = await (await browser.newContext()).newPage()
  await other.addInitScript(() => localStorage.setItem('uldo.who', 'Ilse'))
  await other.goto(at('Ottiline', 'pump'))
  await expect(page.getByTestId('others')).toHaveText('also here: Ilse at Pump')
  await expect(other.getByTestId('others')).toHaveText('also here: Maren at Brief')
  await other.keyboard.press('Escape')
  await other.goto(at('Barge pump', 'pump'))
  await expect(page.getByTestId('others')).toHaveCount(0)
  await other.goto(at('Ottiline', 'relief'))
  await expect(page.getByTestId('others')).toHaveText('also here: Ilse at Relief')
  await other.context().close()
  await expect(page.getByTestId('others')).toHaveCount(0)
})
