import { createHash } from 'node:crypto'

/** Digest of every script that stands in a page itself: nothing else in it may run. */
function digestsOf(html: string): string[] {
  return [...html.matchAll(/<script(?![^>]*\bsrc=)(?![^>]*type="application\/json")[^>]*>([\s\S]*?)<\/script>/g)].map(
    ([, script]) => `'sha256-${createHash('sha256').update(script).digest('base64')}'`,
  )
}

const SHEET = /<link rel="stylesheet" href="([^"]+)" crossorigin>/g
const PRELOADED = /<link rel="modulepreload"[^>]* href="([^"]+)">/g
const ENTRY = /<script type="module" src="([^"]+)" crossorigin><\/script>/
/** In a page that nobody sees nothing is painted; and a paint that does not come is not waited for, ms. */
const AT_THE_LATEST = 250

/**
 * What a page asks the server for first, by its address: it is fetched while the application's own code comes, and the application's
 * question then takes the answer that is on its way (`app/sync/ahead.ts`). Runs in the page.
 */
export function firstAnswers(path: string): string[] {
  const [, id, station] = /^\/build\/([0-9a-f-]{36})\/(\w+)/.exec(path) ?? []
  if (id === undefined) return path === '/' ? ['/api/builds'] : []
  const build = '/api/builds/' + id
  return station === 'logbook' ? [build, build + '/entries', build + '/runs?events=yes'] : [build]
}

/**
 * What this is can be read before anything else has come: style sheet and scripts are asked for once that is painted, and the
 * application waits for its sheet (`app/stylesCome.ts`).
 */
function firstPaintFirst(html: string): string {
  const entry = ENTRY.exec(html)?.[1]
  if (entry === undefined) return html
  const sheets = [...html.matchAll(SHEET)].map(([, href]) => href)
  const modules = [...html.matchAll(PRELOADED)].map(([, href]) => href)
  const begin = `(() => {
    let begun = false
    const add = (tag, of) => document.head.append(Object.assign(document.createElement(tag), { crossOrigin: '' }, of))
    const begin = () => {
      if (begun) return
      begun = true
      for (const href of ${JSON.stringify(sheets)}) add('link', { rel: 'stylesheet', href, media: 'not all', className: 'beside' })
      for (const href of ${JSON.stringify(modules)}) add('link', { rel: 'modulepreload', href })
      window.uldoAhead = new Map()
      for (const href of (${firstAnswers.toString()})(location.pathname)) {
        const answer = fetch(href)
        answer.catch(() => undefined)
        window.uldoAhead.set(href, { answer, at: performance.now() })
      }
      add('script', { type: 'module', src: ${JSON.stringify(entry)} })
    }
    if (document.hidden) begin()
    else requestAnimationFrame(() => setTimeout(begin))
    setTimeout(begin, ${AT_THE_LATEST})
  })()`
  return html
    .replaceAll(SHEET, '')
    .replaceAll(PRELOADED, '')
    .replace(ENTRY, '')
    .replace('</body>', `<script>${begin}</script></body>`)
}

/** The page's own policy: scripts from here alone, the solver's wasm, workers from here; and nothing that tells what serves it. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response) => {
    response.headers ??= {}
    for (const name of Object.keys(response.headers))
      if (name.toLowerCase() === 'x-powered-by') Reflect.deleteProperty(response.headers, name)
    if (typeof response.body === 'string') response.body = firstPaintFirst(response.body)
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
