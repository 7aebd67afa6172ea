import { createPrivateKey, webcrypto, X509Certificate } from 'node:crypto'
import { isIP } from 'node:net'
import { AsnConvert } from '@peculiar/asn1-schema'
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  id_ce_nameConstraints,
  NameConstraints,
} from '@peculiar/asn1-x509'

/** A certificate with its key, as PEM. */
export interface Pair {
  cert: string
  key: string
}

const DAY = 86_400_000
/** A root serves as long as a shop's tablets; a server's certificate as long as every kind of tablet takes one (398 days at most). */
const ROOT_DAYS = 3650
const SERVER_DAYS = 396
/** A certificate is made anew when it has so few days left. */
const RENEW_DAYS = 30

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' }
const crypto = webcrypto as unknown as Crypto

/** The library, which must find its polyfill there: fetched in that order, and only where certificates are made. */
const library = () => import('reflect-metadata').then(() => import('@peculiar/x509'))

/**
 * What a shop's own root may vouch for, beside its host's own name: names and addresses that only mean something inside a private network (RFC 1918, 3927, 4193, 4291, 6762, 8375).
 * Whoever steals it cannot pass for anything outside.
 */
const PRIVATE_ADDRESSES = [
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '127.0.0.0/8',
  'fc00::/7',
  'fe80::/10',
  '::1/128',
]
const PRIVATE_NAMES = ['local', 'lan', 'internal', 'home.arpa', 'localhost']

/** A root certificate of the shop's own, by which its tablets will know the server. */
export async function makeRoot(host: string, now: number): Promise<Pair> {
  const {
    BasicConstraintsExtension,
    Extension,
    KeyUsageFlags,
    KeyUsagesExtension,
    SubjectKeyIdentifierExtension,
    X509CertificateGenerator,
  } = await library()
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
  const subtree = (name: Partial<GeneralName>) => new GeneralSubtree({ base: new GeneralName(name) })
  const permitted = new GeneralSubtrees(
    [...PRIVATE_NAMES, host]
      .map((dNSName) => subtree({ dNSName }))
      .concat(PRIVATE_ADDRESSES.map((iPAddress) => subtree({ iPAddress }))),
  )
  const cert = await X509CertificateGenerator.createSelfSigned(
    {
      name: `CN=Uldo on ${dnsSafe(host)} ${new Date(now).toISOString().slice(0, 10)}, O=Uldo`,
      keys,
      signingAlgorithm: ALGORITHM,
      ...lasting(now, ROOT_DAYS),
      serialNumber: serial(),
      extensions: [
        new BasicConstraintsExtension(true, 0, true),
        new KeyUsagesExtension(KeyUsageFlags.keyCertSign | KeyUsageFlags.cRLSign, true),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, crypto),
        new Extension(
          id_ce_nameConstraints,
          true,
          AsnConvert.serialize(new NameConstraints({ permittedSubtrees: permitted })),
        ),
      ],
    },
    crypto,
  )
  return { cert: cert.toString('pem'), key: await pemOf(keys.privateKey) }
}

/** A certificate of this server's under the shop's root, for every name and address by which it is asked for. */
export async function makeServerPair(root: Pair, names: string[], now: number): Promise<Pair> {
  const {
    AuthorityKeyIdentifierExtension,
    BasicConstraintsExtension,
    ExtendedKeyUsage,
    ExtendedKeyUsageExtension,
    KeyUsageFlags,
    KeyUsagesExtension,
    SubjectAlternativeNameExtension,
    SubjectKeyIdentifierExtension,
    X509Certificate: Certificate,
    X509CertificateGenerator,
  } = await library()
  const keys = await crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
  const issuer = new Certificate(root.cert)
  const signingKey = await crypto.subtle.importKey(
    'pkcs8',
    createPrivateKey(root.key).export({ type: 'pkcs8', format: 'der' }),
    ALGORITHM,
    false,
    ['sign'],
  )
  const cert = await X509CertificateGenerator.create(
    {
      subject: 'CN=Uldo',
      issuer: issuer.subject,
      publicKey: keys.publicKey,
      signingKey,
      signingAlgorithm: ALGORITHM,
      ...lasting(now, SERVER_DAYS),
      serialNumber: serial(),
      extensions: [
        new BasicConstraintsExtension(false, undefined, true),
        new KeyUsagesExtension(KeyUsageFlags.digitalSignature, true),
        new ExtendedKeyUsageExtension([ExtendedKeyUsage.serverAuth]),
        new SubjectAlternativeNameExtension(
          names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
        ),
        await SubjectKeyIdentifierExtension.create(keys.publicKey, false, crypto),
        await AuthorityKeyIdentifierExtension.create(issuer.publicKey, false, crypto),
      ],
    },
    crypto,
  )
  return { cert: cert.toString('pem'), key: await pemOf(keys.privateKey) }
}

/** Whether a server's certificate still does: by this root, for all these names, and not about to run out. */
export function stillDoes(pair: Pair, root: Pair, names: string[], now: number): boolean {
  const cert = new X509Certificate(pair.cert)
  const issuer = new X509Certificate(root.cert)
  return (
    cert.checkIssued(issuer) &&
    cert.verify(issuer.publicKey) &&
    Date.parse(cert.validTo) - now > RENEW_DAYS * DAY &&
    names.every((name) => (isIP(name) ? cert.checkIP(name) : cert.checkHost(name)) !== undefined)
  )
}

/** SHA-256 of a certificate, as devices show it: pairs of hexadecimal digits. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256

/** Backdated by a day, for a tablet whose clock is behind. */
const lasting = (now: number, days: number) => ({
  notBefore: new Date(now - DAY),
  notAfter: new Date(now + days * DAY),
})
/** 127 random bits: positive, and never the same twice. */
function serial(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  bytes[0] &= 0x7f
  return Buffer.from(bytes).toString('hex')
}
const pemOf = async (key: CryptoKey) =>
  (await library()).PemConverter.encode(await crypto.subtle.exportKey('pkcs8', key), 'PRIVATE KEY')
const dnsSafe = (host: string) => host.replace(/[^\w.-]/g, '-')
