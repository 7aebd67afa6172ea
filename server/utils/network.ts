import type { Database } from '../data/database'
import { toNodeListener, type App } from 'h3'
import { openProxied } from '../access/proxied'
import { doorOf } from '../access/door'
import { isOwn, type Network, NotLetIn, openNetwork } from '../access/network'
import { ownNames } from '../access/strangers'
import { getPassphrase, hasOwner } from '../data/people'

let network: Network | undefined
let proxy: { stop: () => void } | undefined

/** How the shop's network is let in; undefined where it is not. */
export const currentNetwork = () => network

/** Takes no more lines from the network. */
export function closeNetwork(): void {
  network?.stop()
  proxy?.stop()
}

/**
 * Lets the shop's network in where ULDO_HOST names an address for it, or ULDO_PROXIED a port for a proxy: over HTTPS, and only once there is a passphrase and an owner with a PIN.
 *
 * @throws NotLetIn when there is none, or the address cannot be served
 */
export async function letNetworkIn(db: Database, folder: string, application: App): Promise<void> {
  const host = process.env.ULDO_HOST ?? ''
  const proxied = process.env.ULDO_PROXIED
  if (isOwn(host) && !proxied) return
  if (!(await getPassphrase(db)) || !(await hasOwner(db)))
    throw new NotLetIn(
      'The network is let in only with a passphrase of the shop and an owner with a PIN. Set them on this machine: npm run passphrase',
    )
  const listener = toNodeListener(application)
  if (proxied) {
    const { address, stop } = await openProxied(proxied, process.env.ULDO_ADDRESS, listener)
    proxy = { stop }
    console.error(`Uldo answers a proxy on ${proxied}; tablets reach it at ${address}`)
  }
  if (isOwn(host)) return
  const port = Number(process.env.ULDO_TLS_PORT ?? 4443)
  const known = (name: string | undefined) => name !== undefined && ownNames(host, process.env.ULDO_ADDRESS).has(name)
  network = await openNetwork({
    host,
    port,
    folder,
    env: process.env,
    application: listener,
    door: (told) => doorOf(told, known),
  })
  console.error(`Uldo is open to the shop’s network at ${network.address}`)
}
