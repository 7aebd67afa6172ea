import type { Router } from 'vue-router'
import type { Quantity } from '#core/record/quantity'
import { readingPath } from './stations'

/** Opens a reading's station and puts the hand on it, as soon as it is there. */
export async function goToReading(router: Router, buildId: string, quantity: Quantity | undefined): Promise<void> {
  if (!quantity) return
  sought = quantity.key
  await router.push(readingPath(buildId, quantity))
  focusReading(quantity.key)
}

let sought: string | undefined
/** Whether a certain reading is being looked for. */
export const seeking = () => sought !== undefined

/** The station's page may still be on its way: looked for over some seconds. */
export function focusReading(key: string, tries = 150): void {
  sought = key
  const input = document.querySelector<HTMLInputElement>(`main input[data-reading="${key}"]`)
  if (input || tries === 0) {
    sought = undefined
    return input?.focus()
  }
  // Another one was asked for since.
  setTimeout(() => sought === key && focusReading(key, tries - 1), 30)
}
