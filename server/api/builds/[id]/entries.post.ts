import type { Operation } from 'fast-json-patch'
import { enterChange } from '../../../data/builds'

/** Enters a change and answers once it is committed. */
export default defineEventHandler(async (event) => {
  const id = requireBuildId(event)
  const change = await requireJson(event, ChangeBody, 'Change')
  const result = await enterChange(requireDatabase(), id, { ...change, patch: change.patch as Operation[] })
  switch (result.kind) {
    case 'unknown':
      throw unknownBuild(id)
    case 'invalid':
      throw refusal(400, 'invalid', `Change: ${result.problems[0].path} ${result.problems[0].message}`, { problems: result.problems })
    case 'ahead':
      throw refusal(409, 'ahead', 'Change: the record here is older than the one it was made on. Look at what stands there now.', { problems: [{ path: 'base', message: `the record is at revision ${result.revision}` }] })
    case 'conflict': {
      const { path, revision, now, who, at } = result
      throw refusal(409, 'conflict', `${who} wrote to ${path} since.`, { problems: [{ path, message: `${who} wrote here since` }], conflict: { path, revision, now, who, at } })
    }
    case 'entered':
      if (!result.again) announceEntry(id, result.entry)
      return result.entry
  }
})
