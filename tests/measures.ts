import type { Page } from '@playwright/test'

/** Least size of what a finger hits and of what an eye reads, px (INTERFACE); half a pixel is the browser's rounding. */
const TARGET = 44
const TEXT = 15

/** What is too small to hit or to read on the page as it stands, and what words of a drawing lie over others or outside it. */
export async function tooSmall(page: Page): Promise<string[]> {
  return page.evaluate(
    ({ TARGET, TEXT }) => {
      const found = new Set<string>()
      const seen = (element: Element) => {
        const { width, height } = element.getBoundingClientRect()
        return width > 1 && height > 1 && element.checkVisibility({ opacityProperty: true, visibilityProperty: true })
      }
      const named = (element: Element) =>
        `${element.tagName.toLowerCase()}.${element.getAttribute('class') ?? ''} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 30)}”`
      /** What is hit: the element, its label, the control that it stands in, an area laid over it. */
      const area = (element: Element) => {
        const parts = [element, element.closest('label'), element.closest('.p-select, .p-checkbox, .p-radiobutton')]
        const boxes = parts.flatMap((part) => (part ? [part.getBoundingClientRect()] : []))
        const over = getComputedStyle(element, '::after')
        return {
          width: Math.max(
            ...boxes.map(({ width }) => width),
            over.position === 'absolute' ? parseFloat(over.width) || 0 : 0,
          ),
          height: Math.max(
            ...boxes.map(({ height }) => height),
            over.position === 'absolute' ? parseFloat(over.height) || 0 : 0,
          ),
        }
      }
      const targets = document.querySelectorAll(
        'a[href], button, input:not([type=hidden]), select, textarea, summary, [role=button], [role=tab], [role=slider], [role=combobox]',
      )
      for (const element of Array.from(targets)) {
        // A pipe of the circuit takes every tap that is nearer to it than to another, a finger's reach about it.
        if (
          !seen(element) ||
          element.closest('[aria-hidden=true], .circuit') ||
          (element as HTMLButtonElement).disabled
        )
          continue
        const { width, height } = area(element)
        // A word in a sentence is as wide as the word.
        const inline = getComputedStyle(element).display === 'inline' || element.matches('.linked')
        if (height < TARGET - 0.5 || (width < TARGET - 0.5 && !inline))
          found.add(`${Math.round(width)} × ${Math.round(height)} px to hit: ${named(element)}`)
      }
      const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      while (texts.nextNode()) {
        const element = texts.currentNode.parentElement
        if (
          !element ||
          !texts.currentNode.textContent!.trim() ||
          !seen(element) ||
          element.closest('script, style, title')
        )
          continue
        const toScreen = element.closest('svg') ? (element as unknown as SVGGraphicsElement).getScreenCTM() : null
        const size =
          parseFloat(getComputedStyle(element).fontSize) * (toScreen ? Math.hypot(toScreen.a, toScreen.b) : 1)
        // Words that a narrow page does without have no size at all.
        if (size > 0 && size < TEXT - 0.3) found.add(`${size.toFixed(1)} px to read: ${named(element)}`)
      }
      for (const drawing of Array.from(document.querySelectorAll('main svg:not(.apexcharts-svg)'))) {
        const frame = drawing.getBoundingClientRect()
        const words = Array.from(drawing.querySelectorAll('text'))
          .filter((text) => seen(text) && text.textContent!.trim())
          .map((text) => ({ text: text.textContent!.trim(), box: text.getBoundingClientRect() }))
        words.forEach(({ text, box }, i) => {
          if (
            box.left < frame.left - 1 ||
            box.right > frame.right + 1 ||
            box.top < frame.top - 2 ||
            box.bottom > frame.bottom + 2
          )
            found.add(`“${text}” goes out of its drawing`)
          for (const other of words.slice(i + 1))
            if (
              Math.min(box.right, other.box.right) - Math.max(box.left, other.box.left) > 1 &&
              Math.min(box.bottom, other.box.bottom) - Math.max(box.top, other.box.top) > 3
            )
              found.add(`“${text}” lies over “${other.text}”`)
        })
      }
      if (document.documentElement.scrollWidth > innerWidth + 1)
        found.add(`${document.documentElement.scrollWidth} px wide`)
      return [...found]
    },
    { TARGET, TEXT },
  )
}
