import type { Dimension, Unit } from '#core/quantity/units'
import type { Sheet } from '#core/record/schema'
import { t } from '~/words/of/frame'
/** What a drawing looks like once its page's style sheets are gone: set on each of its elements. */
const LOOK = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-opacity',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'font-stretch',
  'letter-spacing',
  'text-anchor',
  'dominant-baseline',
  'text-decoration',
  'display',
  'visibility',
] as const
/** Smaller than this it is a mark beside words and no drawing, px. */
const SMALLEST = 160
/** Dots of a picture for each of the screen's. */
const SHARP = 2

export interface Drawing {
  name: string
  svg: SVGSVGElement
}

/** Drawings and charts of the open page, by what they are called for those who do not see them. */
export function drawingsOf(page: ParentNode): Drawing[] {
  const seen = new Map<string, number>()
  return [...page.querySelectorAll<SVGSVGElement>('svg')]
    .filter((svg) => !svg.parentElement?.closest('svg') && svg.getBoundingClientRect().width >= SMALLEST)
    .map((svg) => {
      const name =
        svg.getAttribute('aria-label') ??
        svg.closest('[aria-label]')?.getAttribute('aria-label') ??
        t('drawingFile.drawing')
      const count = (seen.get(name) ?? 0) + 1
      seen.set(name, count)
      return { name: count > 1 ? `${name} ${count}` : name, svg }
    })
}

/** The page's own letters, as a picture carries them with it: those that are in use and no others. */
async function letters(): Promise<string> {
  const used = [...document.fonts].filter(({ status }) => status === 'loaded')
  const plain = (words: string) => words.replace(/["'\s]/g, '').toLowerCase()
  const rules = [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule): rule is CSSFontFaceRule => rule instanceof CSSFontFaceRule)
    .filter(({ style }) =>
      used.some(
        (font) =>
          plain(font.family) === plain(style.getPropertyValue('font-family')) &&
          plain(font.unicodeRange) === plain(style.getPropertyValue('unicode-range')),
      ),
    )
  const faces = await Promise.all(
    rules.map(async (rule) => {
      const [, address] = /url\("?([^")]+)"?\)/.exec(rule.style.getPropertyValue('src')) ?? []
      if (!address) return ''
      const font = await (await fetch(new URL(address, rule.parentStyleSheet?.href ?? location.href))).blob()
      return rule.cssText.replace(address, await dataUrl(font))
    }),
  )
  return faces.join('\n')
}
function dataUrl(blob: Blob): Promise<string> {
  return new Promise((done, fail) => {
    const reader = new FileReader()
    reader.onload = () => done(reader.result as string)
    reader.onerror = () => fail(reader.error ?? new Error('It could not be read.'))
    reader.readAsDataURL(blob)
  })
}

/**
 * A drawing as a file that stands by itself: its size, its look, its letters, and the paper that it lies on.
 *
 * @param bare without letters and paper, for what brings its own
 */
export async function svgText(svg: SVGSVGElement, bare = false): Promise<string> {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const from = [svg, ...svg.querySelectorAll<SVGElement>('*')]
  const to = [copy, ...copy.querySelectorAll<SVGElement>('*')]
  from.forEach((element, i) => {
    const look = getComputedStyle(element)
    to[i].setAttribute('style', LOOK.map((name) => `${name}:${look.getPropertyValue(name)}`).join(';'))
    for (const name of ['class', 'tabindex', 'role']) to[i].removeAttribute(name)
  })
  const { width, height } = svg.getBoundingClientRect()
  const box = svg.viewBox.baseVal
  const [x, y, w, h] = box && box.width > 0 ? [box.x, box.y, box.width, box.height] : [0, 0, width, height]
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(Math.round(width)))
  copy.setAttribute('height', String(Math.round(height)))
  copy.setAttribute('viewBox', `${x} ${y} ${w} ${h}`)
  if (bare) return new XMLSerializer().serializeToString(copy)
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  for (const [name, value] of Object.entries({ x, y, width: w, height: h })) paper.setAttribute(name, String(value))
  paper.setAttribute('fill', getComputedStyle(document.documentElement).getPropertyValue('--sheet').trim() || '#fff')
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  style.textContent = await letters().catch(() => '')
  copy.prepend(style, paper)
  return new XMLSerializer().serializeToString(copy)
}

/** The same as a picture of dots. */
export async function pngOf(svg: SVGSVGElement): Promise<Blob> {
  const { width, height } = svg.getBoundingClientRect()
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(await svgText(svg))}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(SHARP * width)
  canvas.height = Math.round(SHARP * height)
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((done, fail) =>
    canvas.toBlob((blob) => (blob ? done(blob) : fail(new Error('The picture could not be made.'))), 'image/png'),
  )
}

/** Gives a file to the person: saved where this browser saves. */
export function giveFile(name: string, content: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000)
}

/** A file's name that any system takes. */
export const fileName = (...words: string[]) =>
  words
    .join(' ')
    .replace(/[^\p{L}\p{N} .,-]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, 120)

/** Gives what was measured of a build as a CSV file, in the units that are shown. */
export async function giveReadingsCsv(sheet: Sheet, unit: (dimension: Dimension) => Unit): Promise<void> {
  const { readingsCsv } = await import('#core/engine/readingsCsv')
  giveFile(
    `${fileName(sheet.name, 'readings')}.csv`,
    new Blob([readingsCsv(sheet, ({ dimension }) => unit(dimension))], { type: 'text/csv' }),
  )
}
