import { ROOT_FILE } from '../access/door'

export default describedHandler({ about: 'How tablets reach this server, and what they are asked to trust.' }, () => {
  const network = currentNetwork()
  if (!network) return { open: false as const }
  const { address, fingerprint, root } = network
  const plain = address.replace(/^https:/, 'http:')
  return {
    open: true as const,
    address,
    fingerprint,
    own: root !== undefined,
    ...(root ? { door: `${plain}/`, file: `${plain}${ROOT_FILE}` } : {}),
  }
})
