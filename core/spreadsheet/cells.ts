import Papa from 'papaparse'

export type Separator = '\t' | ';' | '|' | ','
export type DecimalMark = '.' | ','

const LOOKED_AT = 40

/** Lines of a text without its mark, whatever ends them. */
export const linesOf = (text: string): string[] => text.replace(/^\uFEFF/, '').split(/\r\n|\r|\n/)

/** What parts the cells: of tab, semicolon and bar the first that most lines have outside of quotes, else the comma, which may be a decimal mark beside those. */
export function separatorOf(lines: readonly string[]): Separator {
  const some = lines
    .filter((line) => line.trim() !== '')
    .slice(0, LOOKED_AT)
    .map((line) => line.replace(/"[^"]*"/g, ''))
  const most = (separator: string) => some.filter((line) => line.includes(separator)).length > 0.5 * some.length
  return (['\t', ';', '|'] as const).find(most) ?? ','
}

/** Rows of cells, without the blanks about them; quotes may hold separators and line breaks. */
export function cellsOf(text: string, separator: Separator): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: separator })
  return data.map((row) => row.map((cell) => cell.trim()))
}

/** A cell that holds a number, whatever unit stands behind it. */
export const isNumeric = (cell: string): boolean =>
  /^[+\-−]?\s*(\d|[.,]\d)[\d.,\s]*(e[+-]?\d+)?\s*([^\d\s]\S{0,8})?$/i.test(cell)

const ONE_MARK = /^[+\-−]?(\d*)([.,])(\d+)(?![\d.,])/

/**
 * The mark that stands for the decimal point in these cells; undefined where they have none, or both. One before three figures may part thousands, and says nothing as long as
 * others say more.
 */
export function decimalMarkOf(cells: Iterable<string>): DecimalMark | undefined {
  const seen = { '.': { sure: 0, maybe: 0 }, ',': { sure: 0, maybe: 0 } }
  for (const cell of cells) {
    const [, whole, mark, after] = ONE_MARK.exec(cell) ?? []
    if (mark === undefined) continue
    const thousands = after!.length === 3 && /^[1-9]\d{0,2}$/.test(whole!)
    seen[mark as DecimalMark][thousands ? 'maybe' : 'sure']++
  }
  const [point, comma] = [seen['.'], seen[',']]
  if (point.sure > 0 && comma.sure > 0) return undefined
  if (point.sure > 0) return '.'
  if (comma.sure > 0) return ','
  if (point.maybe > 0 && comma.maybe > 0) return undefined
  return point.maybe > 0 ? '.' : comma.maybe > 0 ? ',' : undefined
}

/** A cell with the decimal point as the fields take it: what parts its thousands is left out. */
export function withPoint(cell: string, mark: DecimalMark | undefined): string {
  const minus = cell.replace(/^−/, '-')
  if (mark === ',') return minus.replace(/(\d)\.(?=\d{3}(?:\D|$))/g, '$1').replace(/(\d|^|[+-])\s*,(?=\d)/, '$1.')
  if (mark === '.') return minus.replace(/(\d),(?=\d{3}(?:\D|$))/g, '$1')
  return minus
}
