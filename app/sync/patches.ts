import equal from 'fast-deep-equal'
import { escapePathComponent, type Operation } from 'fast-json-patch'
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

/** What of the shop's document is written part by part, so that two hands at different parts do not meet: by the names on the way, `*` for any. */
const APART = ['/rules', '/plan', '/plan/hands', '/plan/engines', '/plan/engines/*', '/plan/engines/*/waits']
const goesApart = (path: string) => APART.some((each) => new RegExp(`^${each.replaceAll('*', '[^/]+')}$`).test(path))
const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The patch that makes one shop document another: each rule, hand, engine and wait for itself, all else by its first name. */
export function housePatch(before: Record<string, unknown>, after: Record<string, unknown>, path = ''): Operation[] {
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key): Operation[] => {
    const [was, is] = [before[key], after[key]]
    if (sameValue(was, is)) return []
    const at = `${path}/${escapePathComponent(key)}`
    if (is === undefined) return path === '' ? [] : [{ op: 'remove', path: at }]
    if (goesApart(at) && isRecord(was) && isRecord(is)) return housePatch(was, is, at)
    return [{ op: was === undefined ? 'add' : path === '/rules' ? 'add' : 'replace', path: at, value: is }]
  })
}
