import plain from '@fontsource/archivo/files/archivo-latin-400-normal.woff?url'
import bold from '@fontsource/archivo/files/archivo-latin-700-normal.woff?url'
import plainExtended from '@fontsource/archivo/files/archivo-latin-ext-400-normal.woff?url'
import boldExtended from '@fontsource/archivo/files/archivo-latin-ext-700-normal.woff?url'
import mono from '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-400-normal.woff?url'
import monoExtended from '@fontsource/spline-sans-mono/files/spline-sans-mono-latin-ext-400-normal.woff?url'
import { expose, transfer } from 'comlink'
import pdfmake from 'pdfmake/build/pdfmake'
import { definitionOf } from '~/papers/definition'
import type { Paper } from '~/papers/paper'

const FILES = { plain, bold, plainExtended, boldExtended, mono, monoExtended }
const face = (normal: keyof typeof FILES, strong: keyof typeof FILES = normal) => ({
  normal,
  bold: strong,
  italics: normal,
  bolditalics: strong,
})
let letters: Promise<void> | undefined

/** The page's own fonts, embedded in what is written. */
async function takeFonts() {
  const files = await Promise.all(
    Object.entries(FILES).map(async ([name, address]) => {
      const answer = await fetch(address)
      if (!answer.ok) throw new Error(`font ${name}: ${answer.status}`)
      return [name, new Uint8Array(await answer.arrayBuffer())] as const
    }),
  )
  pdfmake.addVirtualFileSystem(Object.fromEntries(files.map(([name, bytes]) => [name, base64(bytes)])))
  pdfmake.addFonts({
    Archivo: face('plain', 'bold'),
    ArchivoExtended: face('plainExtended', 'boldExtended'),
    Mono: face('mono'),
    MonoExtended: face('monoExtended'),
  })
}
const base64 = (bytes: Uint8Array) => btoa(bytes.reduce((all, byte) => all + String.fromCharCode(byte), ''))

/** Writes papers as PDF, off the page's thread. */
const writer = {
  /**
   * @param drawings SVG of each drawing, by its name
   * @param pageWords the words of a page's number, with {number} and {count} in them
   */
  async pdf(paper: Paper, drawings: Record<string, string>, pageWords: string): Promise<Uint8Array> {
    letters ??= takeFonts().catch((error: unknown) => {
      letters = undefined
      throw error
    })
    await letters
    const pageOf = (number: number, count: number) =>
      pageWords.replace('{number}', String(number)).replace('{count}', String(count))
    const bytes = await pdfmake.createPdf(definitionOf(paper, drawings, pageOf)).getBuffer()
    return transfer(bytes, [bytes.buffer])
  },
}
export type PaperWriter = typeof writer
expose(writer)
