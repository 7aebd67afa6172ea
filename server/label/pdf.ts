import { PDFDocument, rgb, StandardFonts } from 'pdf-lib'
import type { Drawn } from './layout'

/** Points in a millimetre. */
const POINT = 72 / 25.4

/** A label as a PDF page of its own size. */
export async function labelPdf({ width, height, texts, squares, side }: Drawn, title: string): Promise<Uint8Array> {
  const document = await PDFDocument.create()
  document.setTitle(title)
  document.setProducer('Uldo')
  const page = document.addPage([width * POINT, height * POINT])
  const [plain, bold] = [
    await document.embedFont(StandardFonts.Helvetica),
    await document.embedFont(StandardFonts.HelveticaBold),
  ]
  const down = (y: number) => (height - y) * POINT
  page.drawRectangle({
    x: 0.3 * POINT,
    y: 0.3 * POINT,
    width: (width - 0.6) * POINT,
    height: (height - 0.6) * POINT,
    borderWidth: 0.3 * POINT,
    borderColor: rgb(0, 0, 0),
  })
  const known = new Set(plain.getCharacterSet())
  for (const { x, y, size, bold: heavy, words } of texts) {
    // The page's own fonts have the Latin letters; what they lack is shown as a question mark rather than lost.
    const shown = [...words].map((letter) => (known.has(letter.codePointAt(0)!) ? letter : '?')).join('')
    page.drawText(shown, { x: x * POINT, y: down(y), size: size * POINT, font: heavy ? bold : plain })
  }
  for (const { x, y } of squares)
    page.drawRectangle({
      x: x * POINT,
      y: down(y + side),
      width: side * POINT,
      height: side * POINT,
      color: rgb(0, 0, 0),
    })
  return document.save()
}
