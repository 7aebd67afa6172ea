import type { Drawn } from './layout'

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const escaped = (words: string) => words.replace(/[&<>"]/g, (letter) => ESCAPES[letter])
const at = (value: number) => Number(value.toFixed(4))

/** A label as an SVG file, to scale in millimetres. */
export function labelSvg({ width, height, texts, squares, side }: Drawn): string {
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" font-family="Helvetica, Arial, sans-serif">`,
    `<rect width="${width}" height="${height}" fill="#fff"/>`,
    `<rect x="0.3" y="0.3" width="${width - 0.6}" height="${height - 0.6}" rx="1.5" fill="none" stroke="#000" stroke-width="0.3"/>`,
    ...texts.map(
      ({ x, y, size, bold, words }) =>
        `<text x="${x}" y="${at(y)}" font-size="${at(size)}"${bold ? ' font-weight="700"' : ''}>${escaped(words)}</text>`,
    ),
    `<path fill="#000" shape-rendering="crispEdges" d="${squares.map(({ x, y }) => `M${at(x)} ${at(y)}h${at(side)}v${at(side)}h-${at(side)}z`).join('')}"/>`,
    '</svg>',
  ].join('\n')
}
