import equal from 'fast-deep-equal'
import type { Operation } from 'fast-json-patch'
import { applied } from '#core/record/patched'

/** The document after the next entry; undefined where it must be fetched anew: entries lie between, or it does not apply to what stands here. */
export function afterEntry<T>(
  document: T | undefined,
  revision: number,
  entry: { revision: number; patch: Operation[] },
): T | undefined {
  return document !== undefined && entry.revision === revision + 1 ? applied(document, entry.patch) : undefined
}

/** A document with patches on their way laid over it, one after the other; one that does not apply any more shows nothing. */
export function appliedOver<T>(document: T, patches: Operation[][]): T {
  return patches.reduce((now, patch) => applied(now, patch) ?? now, document)
}

/** Whether two values are the same as the records keep them: whatever the order of their fields, and nothing that is undefined counts. */
export function sameValue(a: unknown, b: unknown): boolean {
  const kept = (value: unknown): unknown => (value === undefined ? undefined : JSON.parse(JSON.stringify(value)))
  return equal(kept(a), kept(b))
}

/** The patch that makes one shop document another: each rule for itself, all else by its first name. */
export function housePatch(before: Record<string, unknown>, after: Record<string, unknown>): Operation[] {
  return Object.keys(after).flatMap((key): Operation[] => {
    if (sameValue(before[key], after[key])) return []
    if (key !== 'rules') return [{ op: 'replace', path: `/${key}`, value: after[key] }]
    const [own, next] = [before.rules, after.rules] as Record<string, unknown>[]
    return [
      ...Object.keys(own)
        .filter((rule) => !(rule in next))
        .map((rule): Operation => ({ op: 'remove', path: `/rules/${rule}` })),
      ...Object.keys(next)
        .filter((rule) => !sameValue(own[rule], next[rule]))
        .map((rule): Operation => ({ op: 'add', path: `/rules/${rule}`, value: next[rule] })),
    ]
  })
}
