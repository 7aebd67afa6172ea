import type { Content, ContentTable, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Block, Paper } from './paper'
import { inFonts, type Written } from './letters'

/** A4, and a card of half a postcard, in points. */
const PAGES = {
  sheet: { pageSize: 'A4', pageMargins: [48, 54, 40, 54], size: 9 },
  card: { pageSize: { width: 420, height: 298 }, pageMargins: [20, 20, 20, 26], size: 8.5 },
} as const
const QUIET = '#55606A'
const RULE = '#D9D3C6'
/** Colours of words that are more than said. */
const TONES = { quiet: QUIET, careful: '#8A5A00', stop: '#A02C26' }
const LINE = '_'.repeat(34)

/**
 * A paper as pdfmake takes it: its blocks one under the other, heads of tables repeated on each page, and at every foot the engine, who made
 * it and when, and the page's number.
 *
 * @param drawings SVG of each drawing, by its name; one that is not there is left out
 * @param pageOf the words of a page's number
 */
export function definitionOf(
  { title, of, made, page, blocks }: Paper,
  drawings: Readonly<Record<string, string>>,
  pageOf: (number: number, count: number) => string,
): TDocumentDefinitions {
  const { pageSize, pageMargins, size } = PAGES[page]
  const [left, , right] = pageMargins
  const width = (pageSize === 'A4' ? 595 : pageSize.width) - left - right
  return {
    info: { title: `${title}, ${of}`, producer: 'Uldo', creator: 'Uldo' },
    pageSize,
    pageMargins: [...pageMargins],
    defaultStyle: { font: 'Archivo', fontSize: size, lineHeight: 1.2 },
    footer: (number, count) => ({
      margin: [left, 8, right, 0],
      fontSize: size - 1.5,
      color: QUIET,
      columns: [
        { text: inFonts(`${of}. ${made}`), width: '*' },
        { text: inFonts(pageOf(number, count)), width: 'auto', alignment: 'right' },
      ],
    }),
    // A heading is not left alone at a page's foot.
    pageBreakBefore: ({ style, startPosition }) =>
      style === 'heading' && startPosition.verticalRatio > (page === 'sheet' ? 0.88 : 1),
    styles: { heading: { bold: true, fontSize: size + 2.5, margin: [0, 12, 0, 4] } },
    content: [
      { text: inFonts(title), bold: true, fontSize: page === 'sheet' ? 22 : 15 },
      { text: inFonts(of), fontSize: size + 2, color: QUIET, margin: [0, 0, 0, 6] },
      ...blocks.flatMap((block) => contentOf(block, drawings, width)),
    ],
  }
}

function contentOf(block: Block, drawings: Readonly<Record<string, string>>, width: number): Content[] {
  switch (block.kind) {
    case 'heading':
      return [{ text: inFonts(block.words), style: 'heading' }]
    case 'text':
      return [
        {
          text: inFonts(block.words),
          margin: [0, 1, 0, 3],
          ...(block.tone ? { color: TONES[block.tone], bold: block.tone !== 'quiet' } : {}),
        },
      ]
    case 'facts':
      return [
        ruled(
          block.facts.map(([what, words]) => [{ text: inFonts(what), color: QUIET }, { text: inFonts(words) }]),
          ['auto', '*'],
          0,
        ),
      ]
    case 'table':
      return [
        ruled(
          [
            block.columns.map(({ head, figures }) => ({
              text: inFonts(head),
              color: QUIET,
              alignment: figures ? 'right' : 'left',
            })),
            ...block.rows.map((row) =>
              row.map((words, i) => ({
                text: block.columns[i].figures ? inFonts(words, 'Mono') : inFonts(words),
                alignment: block.columns[i].figures ? ('right' as const) : ('left' as const),
                noWrap: block.columns[i].figures ?? false,
              })),
            ),
          ],
          // The last column of words takes what is left, so that the table is as wide as the page.
          block.columns.map((_, i) => (i === lastWords(block.columns) ? '*' : 'auto')),
          1,
        ),
      ]
    case 'drawing': {
      const svg = drawings[block.name]
      return svg ? [{ svg, fit: [width, 260], margin: [0, 6, 0, 6] }] : []
    }
    case 'code':
      return [
        {
          columns: [
            { qr: block.address, fit: 72, width: 84 },
            { text: inFonts(block.words), width: '*', margin: [0, 4, 0, 0] },
          ],
          margin: [0, 6, 0, 0],
        },
      ]
    case 'signature':
      return [
        {
          margin: [0, 26, 0, 0],
          columns: block.lines.map((words) => ({
            stack: [
              { text: LINE, color: RULE },
              { text: inFonts(words), color: QUIET },
            ],
          })),
        },
      ]
  }
}

const lastWords = (columns: { figures?: boolean }[]) =>
  columns.reduce((last, { figures }, i) => (figures ? last : i), 0)

interface Cell {
  text: Written[]
  color?: string
  alignment?: 'left' | 'right'
  noWrap?: boolean
}
const ruled = (body: Cell[][], widths: ('auto' | '*')[], headerRows: number): ContentTable => ({
  margin: [0, 2, 0, 6],
  table: { headerRows, dontBreakRows: true, widths, body },
  layout: {
    hLineWidth: (i) => (i === 0 ? 0 : 0.6),
    vLineWidth: () => 0,
    hLineColor: () => RULE,
    paddingLeft: (i) => (i === 0 ? 0 : 5),
    paddingRight: () => 3,
    paddingTop: () => 2.5,
    paddingBottom: () => 2,
  },
})
