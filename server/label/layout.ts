import QRCode from 'qrcode'
import type { LabelWords } from './words'

/** A label's marks in millimetres from its upper left corner: drawn alike as SVG and as PDF. */
export interface Drawn {
  width: number
  height: number
  texts: { x: number; y: number; size: number; bold: boolean; words: string }[]
  /** Dark squares of the code, all of one side. */
  squares: { x: number; y: number }[]
  side: number
}

const WIDTH = 90
const HEIGHT = 38
const MARGIN = 3
const CODE = 28
/** Width of a character over its size, on the wide side, to keep lines inside. */
const CHARACTER = 0.55

/** Lays a plug's label out beside a QR code of an address. */
export function layLabel({ title, engine, lines }: LabelWords, address: string): Drawn {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  // The code's quiet zone of four modules is white paper.
  const side = CODE / (modules.size + 8)
  const left = WIDTH - CODE
  const top = 0.5 * (HEIGHT - CODE)
  const squares = Array.from({ length: modules.size ** 2 }, (_, i) => ({
    row: Math.floor(i / modules.size),
    column: i % modules.size,
  }))
    .filter(({ row, column }) => modules.get(row, column))
    .map(({ row, column }) => ({ x: left + (column + 4) * side, y: top + (row + 4) * side }))
  const room = left - MARGIN
  const text = (words: string, y: number, size: number, bold = false) => ({
    x: MARGIN,
    y,
    size: Math.min(size, room / (CHARACTER * words.length)),
    bold,
    words,
  })
  return {
    width: WIDTH,
    height: HEIGHT,
    side,
    squares,
    texts: [
      text(title, 6.6, 4.4, true),
      text(engine, 11, 3.4),
      ...lines.map((words, i) => text(words, 16.4 + i * 4.4, i === 0 ? 3.9 : 3.2, i === 0)),
    ],
  }
}
