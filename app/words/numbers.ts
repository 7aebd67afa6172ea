import { type DecimalMark, THIN } from '#core/quantity/format'

/** Numbers as the person's own browser writes them. Readings go through the units' store, which asks here for its mark. */

let mark: DecimalMark = '.'

/** Takes the decimal mark of a language: `de-AT` has a comma. What no browser knows keeps the point. */
export function writeNumbersAs(language: string | undefined): void {
  try {
    const part = new Intl.NumberFormat(language).formatToParts(1.5).find(({ type }) => type === 'decimal')
    mark = part?.value === ',' ? ',' : '.'
  } catch {
    mark = '.'
  }
}

/** The decimal mark that numbers are written with. */
export const decimalMark = (): DecimalMark => mark

/** A number with so many places behind its mark: `0.30`, or `0,30`. */
export const figure = (value: number, decimals: number): string => value.toFixed(decimals).replace('.', mark)

/** A share as percent with its sign: `+1.2`, `−0.7`, `0.0`. */
export const signedPercent = (share: number): string =>
  `${share < 0 ? '−' : share > 0 ? '+' : ''}${figure(Math.abs(100 * share), 1)}`

/** A number as short as it can be, at most so many places behind its mark: `2.5`, `3`. */
export const short = (value: number, decimals: number): string =>
  String(Number(value.toFixed(decimals))).replace('.', mark)

/** A whole number, its thousands parted: `1,200`. */
export function whole(value: number): string {
  const said = Math.round(value).toLocaleString('en')
  return mark === '.' ? said : said.replaceAll(',', THIN)
}

/** A number to so many figures: `18.7`, `1,230`. */
export function significant(value: number, figures: number): string {
  const kept = Number(value.toPrecision(figures))
  return Math.abs(kept) < 1000 ? String(kept).replace('.', mark) : whole(kept)
}
