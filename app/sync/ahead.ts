/** What was asked for while the application's code came is of now for so long, ms. */
const FRESH = 5000

/** Questions that the page's shell has asked already, by their address (`server/plugins/page.ts`). */
interface Ahead {
  uldoAhead?: Map<string, { answer: Promise<Response>; at: number }>
}

/** The answer to a question that was asked ahead: given once, while it is fresh, and only where it is one; a refusal is asked for anew. */
export async function answeredAhead(address: string): Promise<Response | undefined> {
  const { uldoAhead: ahead } = globalThis as Ahead
  const asked = ahead?.get(address)
  ahead?.delete(address)
  if (!asked || performance.now() - asked.at > FRESH) return undefined
  const late = new Promise<undefined>((done) => setTimeout(() => done(undefined), FRESH))
  const answer = await Promise.race([asked.answer.catch(() => undefined), late])
  return answer?.ok ? answer : undefined
}
