import type { H3Event } from 'h3'

/** The address at which others on this network reach the application: `ULDO_ADDRESS`, else where the network is let in, else what the request was made to. */
export function networkAddress(event: H3Event): string {
  if (process.env.ULDO_ADDRESS) return process.env.ULDO_ADDRESS.replace(/\/+$/, '')
  const network = currentNetwork()?.address
  if (network) return network
  let url: URL
  try {
    url = getRequestURL(event)
  } catch {
    throw refusal(400, 'host', 'The address of the request cannot be read.')
  }
  return url.origin
}
