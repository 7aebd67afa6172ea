import type { Database } from '../data/database'
import { toNodeListener, type App } from 'h3'
import { doorOf } from '../access/door'
import { isOwn, type Network, NotLetIn, openNetwork } from '../access/network'
import { ownNames } from '../access/strangers'
import { getPassphrase, hasOwner } from '../data/people'

let network: Network | undefined

/** How the shop's network is let in; undefined where it is not. */
export const currentNetwork = () => network

/**
 * Lets the shop's network in where ULDO_HOST names an address for it: over HTTPS, and only once there is a passphrase and an owner with a PIN.
 *
 * @throws NotLetIn when there is none, or the address cannot be served
 */
export async function letNetworkIn(db: Database, folder: string, application: App): Promise<void> {
  const host = process.env.ULDO_HOST ?? ''
  if (isOwn(host)) return
  if (!(await getPassphrase(db)) || !(await hasOwner(db)))
    throw new NotLetIn(
      'The network is let in only with a passphrase of the shop and an owner with a PIN. Set them on this machine: npm run passphrase',
    )
  const port = Number(process.env.ULDO_TLS_PORT ?? 4443)
  const known = (name: string | undefined) => name !== undefined && ownNames(host, process.env.ULDO_ADDRESS).has(name)
  network = await openNetwork({
    host,
    port,
    folder,
    env: process.env,
    application: toNodeListener(application),
    door: (told) => doorOf(told, known),
  })
  console.error(`Uldo is open to the shop’s network at ${network.address}`)
}
