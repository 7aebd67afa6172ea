import type { H3Event } from 'h3'
import { beginSession, type Session } from '../data/sessions'

/** The cookie of a session: of this host alone, over HTTPS alone, out of reach of scripts. */
export const SESSION_COOKIE = '__Host-uldo'

declare module '#auth-utils' {
  interface SecureSessionData {
    /** Row of the session: ended there, the cookie is worth nothing. */
    session: string
  }
}

/** Begins a session for a person on a device, under a new id, and gives the browser its cookie. */
export async function beginUserSession(event: H3Event, person?: string, device?: string): Promise<Session> {
  const session = await beginSession(requireDatabase(), originOf(event), person, device)
  await replaceUserSession(event, { secure: { session: session.id } })
  return session
}
