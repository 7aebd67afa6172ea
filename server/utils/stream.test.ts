import { createServer, request } from 'node:http'
import type { AddressInfo } from 'node:net'
import { createApp, defineEventHandler, toNodeListener } from 'h3'
import { expect, it } from 'vitest'
import { openListener } from './stream'

const MESSAGES = 60
const SIZE = 500_000

it('a listener that reads late gets all of it, one that does not read at all is sent away and nothing is kept for it', async () => {
  const pushed = new Map<string, number>()
  const lying: number[] = []
  const server = createServer(
    toNodeListener(
      createApp().use(
        defineEventHandler((event) => {
          const listener = openListener(event, { patience: 2500 })
          void (async () => {
            for (let i = 0; i < MESSAGES; i++) {
              await listener.push({ event: 'piece', data: `${i} ${'x'.repeat(SIZE)}` })
              pushed.set(event.path, i)
              lying.push(event.node.res.writableLength)
            }
            await listener.push({ event: 'ready', data: '' })
          })()
          return listener.send()
        }),
      ),
    ),
  )
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  /** Reads after so long, ms: what came, bytes, and whether it came to its end. */
  const listen = (path: string, idle: number) =>
    new Promise<{ bytes: number; told: boolean }>((done, fail) => {
      const asked = request({ host: '127.0.0.1', port: (server.address() as AddressInfo).port, path }, (response) => {
        let [bytes, tail] = [0, '']
        response.pause()
        response.on('data', (piece: Buffer) => {
          bytes += piece.length
          tail = (tail + piece.toString('latin1')).slice(-200)
          if (tail.includes('event: ready')) {
            done({ bytes, told: true })
            asked.destroy()
          }
        })
        response.on('error', () => done({ bytes, told: false }))
        response.on('close', () => done({ bytes, told: false }))
        setTimeout(() => response.resume(), idle)
      })
      asked.on('error', fail)
      asked.end()
    })
  const [late, deaf] = await Promise.all([listen('/late', 1000), listen('/deaf', 6000)])
  expect(late).toMatchObject({ told: true })
  expect(late.bytes).toBeGreaterThan(MESSAGES * SIZE)
  expect(deaf.told).toBe(false)
  expect(deaf.bytes).toBeLessThan(0.8 * MESSAGES * SIZE)
  expect(Math.max(...lying)).toBeLessThan(6 * SIZE)
  server.close()
}, 20_000)
