import type { ServerResponse } from 'node:http'

/** A server that is told to end waits so long for what it is answering, ms. */
const PATIENCE = 8000

let leaving = false
const answering = new Set<ServerResponse>()
const listening = new Set<() => void>()

/** Whether this server has been told to end: it takes nothing new. */
export const isLeaving = () => leaving

/** What is being answered is waited for at the end. */
export function countAnswer(response: ServerResponse): void {
  answering.add(response)
  response.once('close', () => answering.delete(response))
}

/** A stream that has no end of its own is ended with the server, until the returned function is called. */
export function countListener(response: ServerResponse, sendAway: () => void): () => void {
  answering.delete(response)
  listening.add(sendAway)
  return () => void listening.delete(sendAway)
}

/** How much goes on, for the metrics. */
export const openCounts = () => ({ answering: answering.size, listening: listening.size })

/** Ends what listens, and waits for what is being answered; nothing new is taken from here on. */
export async function sayFarewell(patience = PATIENCE): Promise<void> {
  leaving = true
  for (const sendAway of [...listening]) sendAway()
  const until = Date.now() + patience
  while (answering.size > 0 && Date.now() < until) await new Promise((done) => setTimeout(done, 20))
}
