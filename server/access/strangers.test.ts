import { describe, expect, it } from 'vitest'
import { type Arrival, ownNames, strange } from './strangers'

const interfaces = {
  lo: [{ address: '127.0.0.1' }],
  eth0: [{ address: '192.168.7.20' }, { address: 'fe80::1%eth0' }],
} as never
const names = ownNames('0.0.0.0', 'https://uldo.shop.example:8443', interfaces)
const write = (more: Partial<Arrival>): Arrival => ({
  method: 'POST',
  host: '192.168.7.20:4400',
  type: 'application/json',
  brings: true,
  ...more,
})

describe('who is answered', () => {
  it.each(['localhost:4400', '127.0.0.1', '[::1]:4400', '192.168.7.20:4400', 'uldo.shop.example', 'LOCALHOST'])(
    'by the name %s',
    (host) => expect(strange({ method: 'GET', host, brings: false }, names)).toBeUndefined(),
  )
  it.each([
    'evil.example',
    '127.evil.example',
    '127.0.0.1.evil.example',
    '192.168.7.21',
    'uldo.shop.example.evil.example',
    '',
    'a b',
    undefined,
  ])('and not by %s', (host) =>
    expect(strange({ method: 'GET', host, brings: false }, names)).toMatchObject({ status: 421, code: 'host' }),
  )
  it('a server that listens on loopback alone has no other names', () => {
    const own = ownNames('127.0.0.1', '', interfaces)
    expect(strange({ method: 'GET', host: '192.168.7.20', brings: false }, own)?.code).toBe('host')
    expect(strange({ method: 'GET', host: 'localhost', brings: false }, own)).toBeUndefined()
  })
})

describe('who may write', () => {
  it('its own pages, and loggers that say nothing of where they come from', () => {
    for (const more of [
      { origin: 'http://192.168.7.20:4400', fetchSite: 'same-origin' },
      { origin: 'http://192.168.7.20:4400' },
      {},
      { fetchSite: 'none' },
      { type: 'text/csv; charset=utf-8' },
      { type: 'image/png' },
      { method: 'DELETE', brings: false, type: undefined },
    ]) {
      expect(strange(write(more), names), JSON.stringify(more)).toBeUndefined()
    }
  })
  it('no other page, whatever it says', () => {
    for (const more of [
      { origin: 'http://evil.example' },
      { origin: 'null' },
      { origin: 'http://192.168.7.20:9999' },
      { fetchSite: 'cross-site' },
      { fetchSite: 'same-site' },
    ])
      expect(strange(write(more), names), JSON.stringify(more)).toMatchObject({ status: 403, code: 'origin' })
    expect(
      strange({ ...write({ origin: 'http://evil.example' }), method: 'GET', brings: false }, names),
    ).toBeUndefined()
  })
  it('over HTTPS no page of plain HTTP, at the same name and port neither: whoever stands in the line can make one', () => {
    expect(strange(write({ secure: true, origin: 'http://192.168.7.20:4400' }), names)).toMatchObject({
      status: 403,
      code: 'origin',
    })
    expect(strange(write({ secure: true, origin: 'https://192.168.7.20:4400' }), names)).toBeUndefined()
    expect(strange(write({ secure: true, origin: 'https://192.168.7.20' }), names)).toMatchObject({ status: 403 })
    expect(
      strange(write({ secure: true, host: '192.168.7.20', origin: 'https://192.168.7.20:443' }), names),
    ).toBeUndefined()
  })
  it('only in the types that are meant', () => {
    for (const type of [
      'text/plain',
      'application/x-www-form-urlencoded',
      'multipart/form-data; boundary=x',
      undefined,
      'application/jsonx',
    ])
      expect(strange(write({ type }), names), type).toMatchObject({ status: 415, code: 'type' })
  })
})
