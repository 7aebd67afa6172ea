import { askOrSeen } from './lastSeen'

/** What was entered of a build, and its runs: of now, or as they were last seen where the server is not reached. */
async function fetched(build: string) {
  const [entries, runs] = await Promise.all([
    askOrSeen('GET /api/builds/:build/entries', { at: { build } }),
    askOrSeen('GET /api/builds/:build/runs', { at: { build }, query: { events: 'yes' } }),
  ])
  return { entries: entries.answer, runs: runs.answer, fresh: entries.fresh && runs.fresh }
}

let ahead: { build: string; story: ReturnType<typeof fetched> } | undefined

/** Begins to fetch a build's story while the build itself is still on its way. */
export function fetchStoryAhead(build: string): void {
  ahead = { build, story: fetched(build) }
  // Who asks for it is told, if anybody does.
  ahead.story.catch(() => undefined)
}

/** A build's story; what was begun ahead is given once. */
export function fetchStory(build: string): ReturnType<typeof fetched> {
  const begun = ahead?.build === build ? ahead.story : undefined
  ahead = undefined
  return begun ?? fetched(build)
}
