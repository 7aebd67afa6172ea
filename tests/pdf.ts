import { createRequire } from 'node:module'
import { dirname } from 'node:path'

async function open(pdf: Buffer) {
  const folder = dirname(createRequire(import.meta.url).resolve('pdfjs-dist/package.json'))
  const library = (await import(`${folder}/legacy/build/pdf.mjs`)) as typeof import('pdfjs-dist')
  const document = await library.getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
  const pages = await Promise.all(Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)))
  return { library, pages }
}

/** Texts of each page of a PDF, as a reader of it finds them. */
export async function pagesOf(pdf: Buffer): Promise<string[]> {
  const { pages } = await open(pdf)
  return Promise.all(
    pages.map(async (page) =>
      (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '),
    ),
  )
}

/** What a PDF is made of: its pages' sizes in millimetres, whether it brings all its fonts, and how many pictures of dots are in it. */
export async function makeOf(pdf: Buffer) {
  const { library, pages } = await open(pdf)
  const operators = await Promise.all(pages.map((page) => page.getOperatorList()))
  const raw = pdf.toString('latin1')
  return {
    sizes: pages.map(({ view: [, , width, height] }) =>
      [width, height].map((points) => Math.round((points * 25.4) / 72)),
    ),
    fonts: [...raw.matchAll(/\/FontName \/\w+\+([\w-]+)/g)].map(([, name]) => name),
    embedded: [...raw.matchAll(/\/FontFile\d? /g)].length,
    pictures: operators.flatMap(({ fnArray }) => fnArray.filter((kind) => kind === library.OPS.paintImageXObject))
      .length,
    lines: operators.flatMap(({ fnArray }) => fnArray.filter((kind) => kind === library.OPS.constructPath)).length,
  }
}
