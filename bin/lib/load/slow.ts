import { randomUUID } from 'node:crypto'
import { connect, type Socket } from 'node:net'

/** What people with quick tablets notice of those that are slow, and what the server holds for them. */
export interface Slow {
  /** From a patch's sending to its answer, ms. */
  answers: number[]
  errors: string[]
  /** Listeners that read nothing, and how many of them were sent away. */
  deaf: number
  sentAway: number
  /** Requests whose bodies never come to an end, and how many of them were ended. */
  halting: number
  ended: number
}

/** Samples of a run that are told to each listener: far more than a connection holds unread. */
const SAMPLES = 72_000
const PIECE = 3000

const post = (address: string, path: string, body: unknown) =>
  fetch(address + path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })

/** A run of two hours at ten readings a second, whose stream is a few megabytes. */
async function longRun(address: string, build: string): Promise<string> {
  const id = randomUUID()
  await post(address, `/api/builds/${build}/runs`, { id, kind: 'start', who: 'Maren', setup: { source: 'file' } })
  for (let from = 0; from < SAMPLES; from += PIECE) {
    const piece = Array.from({ length: PIECE }, (_, i) => ({
      time: (from + i) / 10,
      pressure: 3.1e5 + ((from + i) % 977),
      speed: 15.3,
      temperature: 92.5,
    }))
    const answer = await post(address, `/api/runs/${id}/samples`, piece)
    if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
  }
  return id
}

/**
 * Listeners that do not read, and clients whose requests trickle a byte a second, while one tablet patches ten times a second.
 *
 * @param seconds how long all of it goes on
 */
export async function slowOnes(
  address: string,
  build: string,
  seconds: number,
  { deaf = 60, halting = 60 } = {},
): Promise<Slow> {
  const { hostname, port } = new URL(address)
  const run = await longRun(address, build)
  const heard: Slow = { answers: [], errors: [], deaf, sentAway: 0, halting, ended: 0 }
  const open = (head: string, gone: () => void): Socket => {
    const socket = connect(Number(port), hostname, () => socket.write(head))
    socket.once('close', gone)
    socket.on('error', () => undefined)
    return socket
  }
  let going = true
  const listeners: Socket[] = []
  const listen = () => {
    const socket = open(
      `GET /api/runs/${run}/stream?after=-1 HTTP/1.1\r\nhost: ${hostname}:${port}\r\naccept: text/event-stream\r\n\r\n`,
      () => going && heard.sentAway++,
    )
    listeners.push(socket.pause())
  }
  // One after the other, as tablets come in: each is told the whole run first.
  const coming = setInterval(() => (listeners.length < deaf ? listen() : clearInterval(coming)), 250)
  const trickling = Array.from({ length: halting }, () => {
    const socket = open(
      `POST /api/builds/${build}/entries HTTP/1.1\r\nhost: ${hostname}:${port}\r\ncontent-type: application/json\r\ncontent-length: 4000\r\n\r\n`,
      () => going && heard.ended++,
    )
    socket.resume()
    return { socket, drip: setInterval(() => socket.writable && socket.write(' '), 1000) }
  })
  const { revision } = (await (await fetch(`${address}/api/builds/${build}`)).json()) as { revision: number }
  const until = Date.now() + 1000 * seconds
  const device = randomUUID()
  let value = 0.05
  while (Date.now() < until) {
    const began = performance.now()
    const answer = await post(address, `/api/builds/${build}/entries`, {
      clientKey: randomUUID(),
      device,
      base: revision,
      who: 'Maren',
      patch: [{ op: 'add', path: '/readings/main.2.journal', value: { value: (value += 1e-7), source: 'measured' } }],
    }).catch((error: Error) => error)
    if (answer instanceof Error || !answer.ok)
      heard.errors.push(answer instanceof Error ? answer.message : `${answer.status} ${await answer.text()}`)
    else {
      await answer.arrayBuffer()
      heard.answers.push(performance.now() - began)
    }
    await new Promise((done) => setTimeout(done, 100))
  }
  going = false
  for (const socket of listeners) socket.destroy()
  for (const { socket, drip } of trickling) {
    clearInterval(drip)
    socket.destroy()
  }
  return heard
}
