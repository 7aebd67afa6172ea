import type { Page } from '@playwright/test'
import { hear, press } from './running'
import { buildId, expect, ontoTheBoard, sharing as test } from './server'

/** A browser with a voice of its own and one that speaks over the network; what is said is written down, and takes its time. */
const giveVoice = (page: Page, own = true) =>
  page.addInitScript((has) => {
    const said: { text: string; voice: string }[] = []
    const voices = [
      { name: 'Far away', lang: 'en-GB', localService: false },
      ...(has ? [{ name: 'Bench', lang: 'en-GB', localService: true }] : []),
    ]
    let saying: { onend?: () => void } | undefined
    class Utterance {
      voice?: { name: string }
      lang = ''
      onend?: () => void
      constructor(public text: string) {}
    }
    Object.assign(window, { said, SpeechSynthesisUtterance: Utterance })
    Object.defineProperty(window, 'speechSynthesis', {
      value: {
        getVoices: () => voices,
        addEventListener: () => undefined,
        speak: (each: Utterance) => {
          said.push({ text: each.text, voice: each.voice!.name })
          saying = each
          setTimeout(() => saying === each && each.onend?.(), 60)
        },
        cancel: () => {
          const broken = saying
          saying = undefined
          broken?.onend?.()
        },
      },
    })
  }, own)
const said = (page: Page) =>
  page.evaluate(() => (window as unknown as { said: { text: string; voice: string }[] }).said.map(({ text }) => text))
/** What goes on beside the work comes some seconds after the first screen. */
const openChoices = async (page: Page) => {
  await expect(page.getByTestId('hands-free')).toBeAttached({ timeout: 20_000 })
  await press(page, 'Menu')
  await press(page, 'Keys, voice, foot switch')
  const choices = page.getByRole('dialog', { name: 'Keys, voice, foot switch' })
  await expect(choices).toContainText('Foot switch')
  return choices
}
const BORE = 'main.2.bore'

test('the voice asks for readings, says back what was taken and what is doubted; a foot takes and goes on', async ({
  server,
  bench: page,
}) => {
  await giveVoice(page)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  const choices = await openChoices(page)
  // Off until somebody wants it.
  expect(await said(page)).toEqual([])
  await choices.getByText('Ask for readings, say back').click()
  await press(page, 'Try it')
  await expect.poll(() => said(page)).toEqual(['main 3, bore: 60 0 4 1'])
  const foot = (does: string) => choices.locator(`[data-foot="${does}"]`)
  await press(page, 'Choose the key for take')
  await page.keyboard.press('5')
  await expect(choices.getByRole('alert')).toContainText('Digit5 is used in typing')
  await page.keyboard.press('b')
  await expect(foot('take')).toContainText('KeyB')
  await press(page, 'Choose the key for next')
  await page.keyboard.press('PageDown')
  await expect(foot('next')).toContainText('PageDown')
  await page.keyboard.press('Escape')
  await expect(choices).toBeHidden()

  const field = page.locator(`main input[data-reading="${BORE}"]`)
  const label = (await field.getAttribute('aria-label'))!
  await field.focus()
  await expect.poll(async () => (await said(page)).at(-1)).toBe(label)
  const before = await field.inputValue()
  const figure = `${before.slice(0, -1)}${before.endsWith('1') ? 2 : 1}`
  await page.keyboard.type(figure)
  await page.keyboard.press('b')
  const [whole, digits] = figure.split('.')
  await expect.poll(() => said(page)).toContain(`${label}: ${[whole, ...digits!].join(' ')}`)
  await expect(field).toHaveValue(figure)
  // The hand went on, and the next one is asked for.
  const next = page.locator('main input[data-reading]:focus')
  await expect(next).not.toHaveAttribute('data-reading', BORE)
  await expect.poll(async () => (await said(page)).at(-1)).toBe(await next.getAttribute('aria-label'))
  // A foot that goes on leaves what stands.
  const stands = await next.getAttribute('data-reading')
  await page.keyboard.press('PageDown')
  await expect(next).not.toHaveAttribute('data-reading', stands!)
  // What is not believed is asked aloud, and nothing is written.
  const wild = page.locator('main input[data-reading]:focus')
  const own = (await wild.getAttribute('data-reading'))!
  await page.keyboard.type('1')
  await page.keyboard.press('b')
  await expect(page.locator(`[data-reading="${own}"]`)).toHaveAttribute('aria-invalid', 'true')
  const question = await page
    .locator(`#${await page.locator(`[data-reading="${own}"]`).getAttribute('aria-describedby')}`)
    .innerText()
  await expect.poll(async () => question.includes((await said(page)).at(-1)!.split(' ')[0]!)).toBe(true)
  expect(
    await page.evaluate(() =>
      (window as unknown as { said: { voice: string }[] }).said.every(({ voice }) => voice === 'Bench'),
    ),
  ).toBe(true)
  await page.keyboard.press('Escape')
  // Kept over a reload; and in a text a letter is a letter.
  await page.reload()
  const again = await openChoices(page)
  await expect(again.locator('[data-foot="take"]')).toContainText('KeyB')
  await page.keyboard.press('Escape')
  await page.keyboard.press('/')
  const find = page.getByLabel('Find a reading, station or engine')
  await expect(find).toBeFocused()
  await page.keyboard.type('bbb')
  await expect(find).toHaveValue('bbb')
})

test('the voice counts the deadline and says STOP until the engine is off', async ({ server, bench: page }) => {
  await giveVoice(page)
  await hear(page)
  const id = await buildId(server, 'Rescue tractor 2')
  await page.goto(`${server.address}/build/${id}/start`)
  const choices = await openChoices(page)
  await choices.getByText('Ask for readings, say back').click()
  await page.keyboard.press('Escape')
  await press(page, 'Readings come from: By hand')
  await ontoTheBoard(page)
  await press(page, 'Fired')
  await expect
    .poll(async () => (await said(page)).filter((each) => each.startsWith('STOP')).length, { timeout: 20_000 })
    .toBeGreaterThan(1)
  const counted = (await said(page)).filter((each) => /^\d$/.test(each))
  expect(counted).toEqual(['5', '4', '3', '2', '1'])
  expect((await said(page)).find((each) => each.startsWith('STOP'))).toContain('No pressure')
  // Over any other page of the shop too, with the engine's name.
  const other = await page.context().newPage()
  await giveVoice(other)
  await other.goto(server.address)
  await expect
    .poll(async () => (await said(other)).filter((each) => each.startsWith('STOP. Rescue tractor 2')).length, {
      timeout: 30_000,
    })
    .toBeGreaterThan(1)
  await other.close()
  await press(page, 'The switch is off')
  await page.waitForTimeout(300)
  const stops = (await said(page)).length
  await page.waitForTimeout(3500)
  expect((await said(page)).length).toBe(stops)
  await press(page, 'End the run')
})

test('without a voice of its own a browser says nothing over the network, and says why', async ({
  server,
  bench: page,
}) => {
  await giveVoice(page, false)
  const id = await buildId(server, 'Ottiline')
  await page.goto(`${server.address}/build/${id}/bearings`)
  const choices = await openChoices(page)
  await expect(choices.getByTestId('no-voice')).toContainText('no voice of its own')
  await expect(choices.getByRole('checkbox')).toBeDisabled()
})
