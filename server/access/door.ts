import type { RequestListener } from 'node:http'
import { X509Certificate } from 'node:crypto'
import { nameOf } from './strangers'
import type { Network } from './network'

/** File under which a tablet gets the shop's root certificate. */
export const ROOT_FILE = '/uldo-shop.crt'

const escape = (text: string) => text.replace(/[&<>"]/g, (each) => `&#${each.charCodeAt(0)};`)

/**
 * What is answered over plain HTTP on the shop's network: how to take the shop's root certificate, that file, and the way to HTTPS. Nothing of the records is to be had here.
 *
 * @param known whether a name is one of this server's own
 */
export const doorOf =
  (network: Omit<Network, 'stop'>, known: (name: string | undefined) => boolean): RequestListener =>
  (request, response) => {
    const { host } = request.headers
    const answer = (status: number, headers: Record<string, string>, body: string | Buffer = '') => {
      response.writeHead(status, {
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
        'cache-control': 'no-store',
        connection: 'close',
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'",
        ...headers,
      })
      response.end(request.method === 'HEAD' ? '' : body)
    }
    const path = (request.url ?? '/').split('?')[0]
    if (!known(nameOf(host)))
      return answer(421, { 'content-type': 'text/plain; charset=utf-8' }, 'This server does not go by that name.')
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return answer(
        405,
        { 'content-type': 'text/plain; charset=utf-8', allow: 'GET, HEAD' },
        'Records are written over HTTPS alone.',
      )
    if (network.root && path === ROOT_FILE)
      return answer(
        200,
        { 'content-type': 'application/x-x509-ca-cert', 'content-disposition': 'attachment; filename="uldo-shop.crt"' },
        new X509Certificate(network.root).raw,
      )
    if (network.root && path === '/')
      return answer(200, { 'content-type': 'text/html; charset=utf-8' }, page(network, `https://${host}`))
    return answer(308, { location: `https://${host}${request.url?.startsWith('/') ? request.url : '/'}` })
  }

/** One page that needs nothing else, in the look of the application. */
const page = (
  { fingerprint }: Pick<Network, 'fingerprint'>,
  secure: string,
) => `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Trust this shop · Uldo</title><style>
body{margin:0;background:#f4f1ea;color:#20262b;font:17px/1.45 system-ui,sans-serif}main{max-width:640px;margin:0 auto;padding:28px 18px}h1{font-size:26px;margin:0 0 8px}ol{padding-left:22px}li{margin:14px 0}
a.do{display:inline-block;min-height:28px;padding:10px 18px;background:#0b5a68;color:#fff;border-radius:4px;text-decoration:none;font-weight:600}code{display:block;font:15px/1.6 ui-monospace,monospace;border-left:6px solid #8a5a00;padding:4px 0 4px 12px;margin:8px 0}
@media (prefers-color-scheme:dark){body{background:#15191c;color:#e8e4da}a{color:#7fc4d1}a.do{background:#7fc4d1;color:#15191c}}</style></head><body><main>
<h1>Let this device trust the shop</h1><p>Uldo’s records go over an encrypted line. Once on each device:</p><ol>
<li><a class="do" href="${ROOT_FILE}">Get the shop’s certificate</a></li>
<li>Open the file. A phone or tablet shows it as a profile, or asks for it in its security settings under certificates, to be installed as a certificate authority; where it then stands under certificate trust, switch it on there.</li>
<li>Before you say yes, compare its SHA-256 fingerprint with the one on the shop’s own machine (House rules, Devices). If one pair differs, stop: somebody stands in between.<code>${escape(fingerprint).replaceAll(':', ':<wbr>')}</code></li>
<li><a class="do" href="${escape(secure)}/">Go on to Uldo</a></li></ol>
<p>The certificate vouches only for addresses inside a private network, and can be taken off the device again in the same place.</p></main></body></html>`
