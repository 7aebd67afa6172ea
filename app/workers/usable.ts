import type { Sheet } from '#core/record/schema'
import { usableSheet } from '#core/engine/usableSheet'

const isSheet = (value: unknown): value is Sheet =>
  typeof value === 'object' && value !== null && (value as { format?: unknown }).format === 'uldo-build'

/** A worker's functions, each given its sheet without what no engine can be computed from; what voids the prediction is said by the outlook. */
export function withUsableSheets<T extends object>(functions: T): T {
  return Object.fromEntries(
    Object.entries(functions).map(([name, work]) => [
      name,
      (first: unknown, ...rest: unknown[]) =>
        (work as (...given: unknown[]) => unknown)(isSheet(first) ? usableSheet(first).sheet : first, ...rest),
    ]),
  ) as T
}
