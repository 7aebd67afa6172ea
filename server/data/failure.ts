/** The database's own numbers for what a disk says, as the file system under it gives them (WASI). */
const NUMBERED: Record<number, string> = {
  2: 'EACCES',
  19: 'EDQUOT',
  29: 'EIO',
  51: 'ENOSPC',
  54: 'ENOTDIR',
  69: 'EROFS',
}

/** What a failure of the disk is called, whoever threw it; undefined for any other failure. */
export function diskCode(error: unknown): string | undefined {
  const { code, name, errno } = error as { code?: unknown; name?: string; errno?: number }
  if (name === 'ErrnoError') return NUMBERED[errno ?? 0] ?? `failure ${errno}`
  // PostgreSQL's own code for a full disk.
  return code === '53100' ? 'ENOSPC' : typeof code === 'string' ? code : undefined
}

/** A failure in words: those given for its code or that of what caused it, else its own. What the database's file system throws is no Error and has none. */
export function inWords(error: unknown, words: Record<string, string>): string {
  const code = diskCode(error)
  const under = diskCode((error as { cause?: unknown }).cause ?? {})
  const { message } = error as Partial<Error>
  return (
    words[code ?? ''] ??
    words[under ?? ''] ??
    (message && UNWRITTEN.test(message)
      ? `${message}. The database's disk may be full: make room and start again.`
      : message) ??
    `the disk failed (${code ?? String(error)}).`
  )
}

/** What PostgreSQL says where it cannot begin a connection for want of room, without its code for a full disk. */
const UNWRITTEN = /could not write init file/

/** Code of the error that says that the database did not answer. */
export const DATABASE_AWAY = 'DATABASE_AWAY'

/** The database did not answer, or ended the connection: what was asked is not known to have been done. Asked again with its key it is done once. Without a cause: what answers errors would take that in its place. */
export class DatabaseAway extends Error {
  readonly code = DATABASE_AWAY
}
