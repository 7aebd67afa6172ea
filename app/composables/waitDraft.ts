import { sessionRead, sessionWrite } from '~/sync/browserStorage'
import type { Station } from '#core/record/quantity'

/** A wait as it is being typed: kept by this tab until it is put, changed or left, so that a reload loses nothing. */
export interface WaitDraft {
  common: string
  how: 'until' | 'runs' | 'after' | 'open'
  station: Station
  what: string
  until: string
  takes: string
}
const keyOf = (build: string, wait = '') => `uldo.wait.${build}.${wait}`

export function waitDraft(build: string, wait?: string): WaitDraft | undefined {
  try {
    return (JSON.parse(sessionRead(keyOf(build, wait))) as WaitDraft | null) ?? undefined
  } catch {
    return undefined
  }
}
export const keepWaitDraft = (build: string, wait: string | undefined, draft: WaitDraft | undefined): void =>
  sessionWrite(keyOf(build, wait), JSON.stringify(draft ?? null))
