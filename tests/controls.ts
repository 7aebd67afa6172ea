import { expect, type Locator, type Page } from '@playwright/test'

/** Chooses by its words out of a list that opens under the hand. */
export async function choose(field: Locator, words: string) {
  await field.click()
  await field.page().getByRole('option', { name: words, exact: true }).click()
  await expect(field).toHaveText(words)
}

/** The list of that name. */
export const list = (page: Page | Locator, name: string) => page.getByRole('combobox', { name, exact: true })

/** Moves a slider by whole steps from where it stands, or from its lower end. */
export async function slide(page: Page, name: string, steps: number, from: 'here' | 'lower end' = 'here') {
  const handle = page.getByRole('slider', { name, exact: true })
  await handle.focus()
  if (from === 'lower end') await handle.press('Home')
  for (let i = 0; i < Math.abs(steps); i++) await handle.press(steps > 0 ? 'ArrowRight' : 'ArrowLeft')
}

/** Touches a scale where a value stands on it; the scale begins at nothing and counts whole steps. */
export async function touchScale(scale: Locator, value: number, step: number) {
  const steps = Number(await scale.getByRole('slider').getAttribute('aria-valuemax'))
  const track = scale.locator('[data-pc-name="slider"]')
  const { width, height } = (await track.boundingBox())!
  await track.click({ position: { x: (width * (value / step + 0.4)) / steps, y: height / 2 } })
}

/** Types a whole number into a field that takes nothing but digits. */
export async function typeCount(field: Locator, digits: string) {
  await field.press('ControlOrMeta+a')
  await field.pressSequentially(digits)
  await field.press('Tab')
}

/** Tab alone leads there from wherever the hand is, on or back; how many presses it took. */
export async function tabTo(page: Page, target: Locator, key: 'Tab' | 'Shift+Tab' = 'Tab', most = 60): Promise<number> {
  for (let presses = 1; presses <= most; presses++) {
    await page.keyboard.press(key)
    if (await target.evaluate((element) => element === document.activeElement).catch(() => false)) return presses
  }
  throw new Error(`Tab does not lead to ${target}`)
}
