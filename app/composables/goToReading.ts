import type { Router } from 'vue-router'
import type { Quantity } from '#core/record/quantity'
import { readingPath } from './stations'

/** Opens a reading's station and puts the hand on it, as soon as it is there. */
export async function goToReading(router: Router, buildId: string, quantity: Quantity | undefined): Promise<void> {
  if (!quantity) return
  await router.push(readingPath(buildId, quantity))
  focusReading(quantity.key)
}

/** The station's page may still be on its way: looked for over some seconds. */
export function focusReading(key: string, tries = 150): void {
  const input = document.querySelector<HTMLInputElement>(`main input[data-reading="${key}"]`)
  if (input) input.focus()
  else if (tries > 0) setTimeout(() => focusReading(key, tries - 1), 30)
}
