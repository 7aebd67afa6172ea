/**
 * Text of a file as spreadsheets and loggers write it: UTF-8 or UTF-16 by its mark or by where its zeros stand, else the Windows code page for western Europe, in
 * which older programs write. Its mark is left out.
 */
export function decodeText(bytes: Uint8Array): string {
  const [a, b, c] = bytes
  if (a === 0xff && b === 0xfe) return decoded(bytes, 'utf-16le')
  if (a === 0xfe && b === 0xff) return decoded(bytes, 'utf-16be')
  if (a === 0xef && b === 0xbb && c === 0xbf) return decoded(bytes, 'utf-8')
  // Letters and figures of UTF-16 have a zero at every other place.
  const zeros = [0, 0]
  const looked = bytes.subarray(0, 2000)
  looked.forEach((byte, i) => byte === 0 && zeros[i % 2]!++)
  if (zeros[1]! > 0.3 * looked.length) return decoded(bytes, 'utf-16le')
  if (zeros[0]! > 0.3 * looked.length) return decoded(bytes, 'utf-16be')
  try {
    return decoded(bytes, 'utf-8', true)
  } catch {
    return decoded(bytes, 'windows-1252')
  }
}

const decoded = (bytes: Uint8Array, encoding: string, fatal = false) =>
  new TextDecoder(encoding, { fatal }).decode(bytes)
