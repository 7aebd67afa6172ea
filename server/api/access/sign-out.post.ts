import { logAccess } from '../../data/accessLog'

export default describedHandler(
  { about: 'Signs off whoever is signed in; the device goes on knowing the passphrase.' },
  async (event) => {
    const { actor } = event.context
    if (actor.kind !== 'person') return { device: actor.kind === 'device' }
    await logAccess(requireDatabase(), 'signed-out', originOf(event), actor.name)
    announceEnded(actor.session)
    await beginUserSession(event, undefined, actor.device)
    return { device: true }
  },
)
