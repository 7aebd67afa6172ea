import { createHash } from 'node:crypto'

/** Digest of every script that stands in a page itself: nothing else in it may run. */
function digestsOf(html: string): string[] {
  return [...html.matchAll(/<script(?![^>]*\bsrc=)(?![^>]*type="application\/json")[^>]*>([\s\S]*?)<\/script>/g)].map(
    ([, script]) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`,
  )
}

/** The page's own policy: scripts from here alone, the solver's wasm, workers from here; and nothing that tells what serves it. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    response.headers ??= {}
    for (const name of Object.keys(response.headers))
      if (name.toLowerCase() === 'x-powered-by') Reflect.deleteProperty(response.headers, name)
    const digests = typeof response.body === 'string' ? digestsOf(response.body) : []
    response.headers['content-security-policy'] = [
      "default-src 'self'",
      `script-src 'self' 'wasm-unsafe-eval' ${digests.join(' ')}`.trim(),
      "style-src 'self' 'unsafe-inline'",
      "img-src 'self' data: blob:",
      "font-src 'self' data:",
      "connect-src 'self'",
      "worker-src 'self' blob:",
      "object-src 'none'",
      "base-uri 'none'",
      "form-action 'self'",
      "frame-ancestors 'none'",
    ].join('; ')
  })
})
