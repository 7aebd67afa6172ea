import { readdirSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, it } from 'vitest'
import { parse } from 'vue/compiler-sfc'

/** What stands in a line with its neighbours: a space at its edge is one between words. */
const INLINE = /^(span|b|a|i|em|strong|small|template|slot|NuxtLink)$/
/** Kinds of nodes, as Vue's compiler numbers them. */
const [ELEMENT, PUT_IN] = [1, 5]
const at = fileURLToPath(new URL('../', import.meta.url))

interface Place {
  type: number
  tag?: string
  children?: unknown
  loc: { source: string; start: { offset: number }; end: { offset: number } }
}

/** Places where a blank at an inline element's edge stands beside a word that is put in, which Vue leaves out. */
function lostSpaces(file: string): string[] {
  const text = readFileSync(at + file, 'utf8')
  const found: string[] = []
  const visit = (node: Place) => {
    const children = (node.children ?? []) as Place[]
    if (INLINE.test(node.tag ?? '')) {
      const [first, last] = [children[0], children.at(-1)]
      const before = first?.type === PUT_IN && /\s/.test(text[first.loc.start.offset - 1])
      const behind = last?.type === PUT_IN && /\s/.test(text[last.loc.end.offset])
      if (before || behind) found.push(`${file}: ${node.loc.source.replace(/\s+/g, ' ').slice(0, 80)}`)
    }
    for (const child of children) if (child.type === ELEMENT) visit(child)
  }
  const template = parse(text).descriptor.template?.ast
  if (template) visit(template as unknown as Place)
  return found
}

it('no space between words is lost at the edge of what is put in', () => {
  const files = readdirSync(at, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.vue'))
  expect(files.length).toBeGreaterThan(100)
  expect(files.flatMap(lostSpaces)).toEqual([])
})
