import fc from 'fast-check'
import jsQR from 'jsqr'
import { PDFDocument } from 'pdf-lib'
import { describe, expect, it } from 'vitest'
import { layLabel } from './layout'
import { labelPdf } from './pdf'
import { labelSvg } from './svg'

const label = {
  title: 'Relief plug',
  engine: 'Ottiline, Hesper 3.6',
  lines: ['Opens 4.06 bar ± 0.13 bar', 'From its measured parts'],
}

/** The label's squares as a picture, ten pixels to the millimetre. */
function pictureOf({ width, height, squares, side }: ReturnType<typeof layLabel>): {
  data: Uint8ClampedArray
  width: number
  height: number
} {
  const scale = 10
  const [w, h] = [width * scale, height * scale]
  const data = new Uint8ClampedArray(4 * w * h).fill(255)
  for (const { x, y } of squares) {
    for (let row = Math.round(y * scale); row < Math.round((y + side) * scale); row++)
      for (let column = Math.round(x * scale); column < Math.round((x + side) * scale); column++)
        data.fill(0, 4 * (row * w + column), 4 * (row * w + column) + 3)
  }
  return { data, width: w, height: h }
}

describe('plug label', () => {
  it('its code says any address of a build, read by another hand', () => {
    fc.assert(
      fc.property(
        fc.uuid(),
        fc.constantFrom('http://192.168.7.20:4400', 'http://10.0.0.3', 'https://shop.example'),
        (id, host) => {
          const { data, width, height } = pictureOf(layLabel(label, `${host}/build/${id}/relief`))
          expect(jsQR(data, width, height)?.data).toBe(`${host}/build/${id}/relief`)
        },
      ),
      { numRuns: 12 },
    )
  })
  it('everything stays on the label, however long the engine’s name, and clear of the code', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 240 }), (engine) => {
        const drawn = layLabel(
          { ...label, engine },
          'http://10.0.0.3/build/5b1f2f0e-0d8c-4c53-9f39-0a9d7a2f7a10/relief',
        )
        const left = Math.min(...drawn.squares.map(({ x }) => x))
        for (const { x, y, size, words } of drawn.texts) {
          expect(x + 0.55 * size * words.length).toBeLessThanOrEqual(left + 1e-9)
          expect(y).toBeLessThan(drawn.height - 1)
        }
        for (const { x, y } of drawn.squares)
          expect(x + drawn.side < drawn.width && y + drawn.side < drawn.height && y > 0).toBe(true)
      }),
    )
  })
  it('what is written is text in an SVG file, and never markup', () => {
    const svg = labelSvg(layLabel({ ...label, engine: '<script>alert("1")</script> & son' }, 'http://10.0.0.3/'))
    expect(svg).not.toContain('<script')
    expect(svg).toContain('&lt;script&gt;alert(&quot;1&quot;)&lt;/script&gt; &amp; son')
    expect(svg).toContain('width="90mm" height="38mm"')
  })
  it('a PDF takes letters that its own font lacks as question marks, and is one page of the label’s size', async () => {
    const bytes = await labelPdf(layLabel({ ...label, engine: 'Ω ротор' }, 'http://10.0.0.3/'), 'Label')
    const document = await PDFDocument.load(bytes)
    expect(document.getPageCount()).toBe(1)
    const { width, height } = document.getPage(0).getSize()
    expect([width, height].map((points) => Math.round((points * 25.4) / 72))).toEqual([90, 38])
    expect(document.getTitle()).toBe('Label')
  })
})
