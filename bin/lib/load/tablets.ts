import { randomUUID } from 'node:crypto'
import { Agent, request } from 'node:http'
import { createParser } from 'eventsource-parser'

/** A change as the server answered it: entered under this number. */
export interface Entered {
  build: string
  clientKey: string
  revision: number
}

/** What a measurement of tablets came to. */
export interface Heard {
  /** From a patch's sending to its answer, ms, and how long after the beginning it was sent, s. */
  answers: { ms: number; after: number }[]
  /** From a patch's sending until a page that listens at the same build was told of it, ms. */
  told: number[]
  entered: Entered[]
  /** Patches that were asked again, since there was no answer or none that entered them. */
  again: number
  /** What went wrong, in words. */
  errors: string[]
}

const agent = new Agent({ keepAlive: true, maxSockets: Infinity })
const json = { 'content-type': 'application/json' }

/** An answer's status and text, by a connection that is kept. */
function ask(address: string, body?: unknown, from?: string): Promise<{ status: number; text: string }> {
  return new Promise((done, fail) => {
    const asking = request(
      address,
      { agent, method: body ? 'POST' : 'GET', headers: body ? json : {}, timeout: 30_000, localAddress: from },
      (answer) => {
        let text = ''
        answer.setEncoding('utf8')
        answer.on('data', (piece: string) => (text += piece))
        answer.once('end', () => done({ status: answer.statusCode ?? 0, text }))
        answer.once('error', fail)
      },
    )
    asking.once('error', fail)
    asking.once('timeout', () => asking.destroy(new Error('no answer in 30 s')))
    asking.end(body ? JSON.stringify(body) : undefined)
  })
}

/** Listens at a build and hands on each entry, until it is ended; a line that breaks is taken up again where it was, as a browser does. */
function listen(
  address: string,
  { after, from }: { after: number; from: string },
  hear: (revision: number, clientKey: string) => void,
  broke: () => void,
) {
  let ended = false
  let last = after
  let current: ReturnType<typeof request> | undefined
  const again = () => {
    if (ended) return
    broke()
    setTimeout(open, 500)
  }
  function open() {
    const parser = createParser({
      onEvent: ({ event, data }) => {
        if (event !== 'entry') return
        const { revision, clientKey } = JSON.parse(data) as { revision: number; clientKey: string }
        // Told twice is passed over, as the page does.
        if (revision <= last) return
        last = revision
        hear(revision, clientKey)
      },
    })
    current = request(`${address}?after=${last}`, { localAddress: from }, (answer) => {
      if (answer.statusCode !== 200) {
        answer.resume()
        return again()
      }
      answer.setEncoding('utf8')
      answer.on('data', (piece: string) => parser.feed(piece))
      answer.once('close', again)
      answer.once('error', () => undefined)
    })
    current.once('error', again)
    current.end()
  }
  open()
  return () => {
    ended = true
    current?.destroy()
  }
}

/** Each tablet has an address of its own, of this machine's. */
const own = (tablet: number) => `127.0.${1 + Math.floor(tablet / 200)}.${2 + (tablet % 200)}`

/**
 * Tablets with open streams, each of which writes a reading a second into a journal of its own; two to a build listen to one another.
 * What is not answered with an entry is sent again under its key until it is, as the page's queue does, so that a database that dies is ridden
 * out; `tolerant` counts that as no error.
 *
 * @param addresses servers, by turns; a tablet asks another of them each time where there are several
 */
export async function tablets(
  addresses: string[],
  builds: string[],
  { count, seconds, tolerant = false }: { count: number; seconds: number; tolerant?: boolean },
): Promise<Heard & { builds: string[]; begun: Map<string, number> }> {
  const heard: Heard = { answers: [], told: [], entered: [], again: 0, errors: [] }
  const sent = new Map<string, number>()
  const used = builds.slice(0, Math.ceil(count / 2))
  const begun = new Map<string, number>()
  for (const id of used)
    begun.set(id, (JSON.parse((await ask(`${addresses[0]}/api/builds/${id}`)).text) as { revision: number }).revision)
  const ends: (() => void)[] = []
  const order = new Map<number, number>()
  for (let i = 0; i < count; i++) {
    const id = used[i % used.length]!
    order.set(i, begun.get(id)!)
    ends.push(
      listen(
        `${addresses[i % addresses.length]}/api/builds/${id}/events`,
        { after: begun.get(id)!, from: own(i) },
        (revision, clientKey) => {
          if (revision !== order.get(i)! + 1) heard.errors.push(`tablet ${i}: ${revision} came after ${order.get(i)}`)
          order.set(i, revision)
          const at = sent.get(clientKey)
          if (at !== undefined) heard.told.push(performance.now() - at)
        },
        () => tolerant || heard.errors.push(`tablet ${i}: its stream broke`),
      ),
    )
  }
  await new Promise((done) => setTimeout(done, 1000))
  const began = performance.now()
  await Promise.all(
    Array.from({ length: count }, async (_, i) => {
      const id = used[i % used.length]!
      const device = randomUUID()
      const journal = 1 + Math.floor(i / used.length)
      await new Promise((done) => setTimeout(done, (1000 * i) / count))
      for (let n = 0; n < seconds; n++) {
        const clientKey = randomUUID()
        const from = performance.now()
        sent.set(clientKey, from)
        const change = {
          clientKey,
          device,
          who: 'Maren',
          base: order.get(i)!,
          patch: [
            {
              op: 'add',
              path: `/readings/main.${journal}.bore`,
              value: { value: 0.0645 + n * 1e-7, source: 'measured' },
            },
          ],
          reason: '',
        }
        for (let tries = 0; ; tries++) {
          const address = addresses[(i + n + tries) % addresses.length]!
          const answer = await ask(`${address}/api/builds/${id}/entries`, change, own(i)).catch((error: Error) => ({
            status: 0,
            text: error.message,
          }))
          if (answer.status === 200) {
            heard.answers.push({ ms: performance.now() - from, after: (from - began) / 1000 })
            const { revision } = JSON.parse(answer.text) as { revision: number }
            heard.entered.push({ build: id, clientKey, revision })
            break
          }
          if (!tolerant || tries > 200) {
            heard.errors.push(`${answer.status} ${answer.text.slice(0, 120)}`)
            break
          }
          heard.again++
          await new Promise((done) => setTimeout(done, 250))
        }
        const next = began + (1000 * i) / count + 1000 * (n + 1)
        await new Promise((done) => setTimeout(done, Math.max(0, next - performance.now())))
      }
    }),
  )
  // What is still on its way to those who listen.
  await new Promise((done) => setTimeout(done, tolerant ? 5000 : 2500))
  for (const end of ends) end()
  return { ...heard, builds: used, begun }
}

/** Holds what was acknowledged against the history that a server tells: each once, and no number twice or left out. */
export async function againstHistory(
  address: string,
  { entered, builds, begun }: { entered: Entered[]; builds: string[]; begun: Map<string, number> },
): Promise<string[]> {
  const wrong: string[] = []
  for (const id of builds) {
    const { status, text } = await ask(`${address}/api/builds/${id}/entries?after=${begun.get(id)}`)
    if (status !== 200) throw new Error(`The history of ${id} was answered with ${status}.`)
    const entries = JSON.parse(text) as { revision: number; clientKey: string }[]
    const times = new Map<string, number>()
    for (const { clientKey } of entries) times.set(clientKey, (times.get(clientKey) ?? 0) + 1)
    for (const [key, count] of times) if (count > 1) wrong.push(`${key} stands ${count} times`)
    entries.forEach(({ revision }, i) => {
      if (revision !== begun.get(id)! + 1 + i)
        wrong.push(`${id}: ${revision} stands at the place of ${begun.get(id)! + 1 + i}`)
    })
    const numbers = new Map(entries.map(({ clientKey, revision }) => [clientKey, revision]))
    for (const each of entered.filter(({ build }) => build === id))
      if (numbers.get(each.clientKey) !== each.revision)
        wrong.push(`${each.clientKey} was acknowledged and is not there`)
  }
  return wrong
}
