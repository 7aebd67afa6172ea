import { type Page } from '@playwright/test'

export const enter = async (page: Page, text: string) => {
  await page.keyboard.type(text)
  await page.keyboard.press('Enter')
}
export const clearance = (page: Page, name: string) => page.locator(`[data-bearing="${name}"]`).getByTestId('clearance')
export const judgement = (page: Page) => page.getByRole('region', { name: 'Judgement' })
