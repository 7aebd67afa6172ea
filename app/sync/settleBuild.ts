import { t } from '~/words/of/frame'
import { v4 as uuid } from 'uuid'
import { ask } from './ask'
import type { BuildChange, Kept } from './kept'
import { IDENTITY, useSync } from './useSync'

/** Settles a conflict, of whichever build: keeps what is there, or puts ours over it, now that it has been seen. */
export async function settleBuild(conflict: Kept, ours: boolean): Promise<void> {
  const sync = useSync()
  const { document, label, url, body } = conflict
  if (ours) {
    const there = conflict.refusal?.conflict
    const found = await ask('GET /api/builds/:build', { at: { build: document } }).catch(() => undefined)
    if (!found) return
    const key = uuid()
    await sync.enter({
      key,
      kind: 'build',
      document,
      label,
      url,
      body: {
        ...(body as BuildChange),
        clientKey: key,
        device: IDENTITY,
        base: found.revision,
        reason: t('settleBuild.overSValue', { who: there?.who ?? t('settleBuild.another') }),
      },
    })
  }
  await sync.forget(conflict.key)
}
