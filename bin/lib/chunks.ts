import { readFile } from 'node:fs/promises'
import type { Plugin } from 'vite'

const PAGES = /\/app\/pages\/[\w/[\]-]+\.vue$/
/** Chunks of several pages that a first screen runs. */
const FIRST = ['readings', 'tables', 'frame']
const FRAME = /\/app\/pages\/build\/\[id\]\.vue$/
const STATIONS = /\/app\/pages\/build\/\[id\]\/[\w-]+\.vue$/
/** A few lines that are not worth the tables for a station that has none. */
const SMALL = /\/app\/composables\//
/** Stations that need a module before it travels with what nearly all of them need, and before it travels with the tables. */
const MOST = 5
const SOME = 3

/** What Rollup tells of the modules that it parts. */
interface Modules {
  getModuleIds: () => IterableIterator<string>
  getModuleInfo: (id: string) => { isEntry: boolean; importedIds: readonly string[] } | null
}

/** All that modules need before they can run: themselves and what they import, not what they fetch later. */
function needsOf(modules: string[], { getModuleInfo }: Modules): Set<string> {
  const found = new Set<string>()
  const open = [...modules]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (found.has(id)) continue
    found.add(id)
    open.push(...(getModuleInfo(id)?.importedIds ?? []))
  }
  return found
}

/**
 * Few larger files in place of some fifty for a first screen, each of which is a journey of its own: what the frame of
 * a build needs, what most stations need, and what some do. The rest is parted as Rollup parts it.
 */
export function chunkOf(): (id: string, modules: Pick<Modules, 'getModuleInfo'>) => string | undefined {
  let chunks: Map<string, string> | undefined
  // Rollup gives all of it; Vite's types tell of less.
  return (id, modules) => (chunks ??= plan(modules as Modules)).get(id)
}

function plan(modules: Modules): Map<string, string> {
  const all = [...modules.getModuleIds()]
  const entry = needsOf(
    all.filter((id) => modules.getModuleInfo(id)?.isEntry),
    modules,
  )
  const frame = needsOf(
    all.filter((id) => FRAME.test(id)),
    modules,
  )
  const times = new Map<string, number>()
  for (const station of all.filter((id) => STATIONS.test(id)))
    for (const id of needsOf([station], modules)) times.set(id, (times.get(id) ?? 0) + 1)
  const chunks = new Map<string, string>()
  for (const [id, count] of times)
    if (count >= SOME) chunks.set(id, count >= MOST || SMALL.test(id) ? 'readings' : 'tables')
  for (const id of frame) chunks.set(id, 'frame')
  for (const id of entry) chunks.delete(id)
  return chunks
}

/** PrimeVue's own styles stand in the style sheet that is made when the page is built: its script need not carry them too. */
export const stylesStandInTheSheet: Plugin = {
  name: 'uldo:styles-stand-in-the-sheet',
  apply: 'build',
  enforce: 'pre',
  load: (id) => (/@primeuix\/styles\/dist\//.test(id) ? "export const style = ''" : undefined),
}

const JSON_SCHEMA = /\/zod\/v4\/core\/(?:to-json-schema|json-schema-processors)\.js$/

/**
 * The page checks by Zod's schemas and makes no JSON Schema of them: what would is left out of its scripts, a tenth of
 * Zod on the wire. Whoever asks for one in the page is told where it is made.
 */
export const noJsonSchemaInThePage: Plugin = {
  name: 'uldo:no-json-schema-in-the-page',
  apply: 'build',
  enforce: 'pre',
  async load(id) {
    if (!JSON_SCHEMA.test(id)) return undefined
    const names = [...(await readFile(id, 'utf8')).matchAll(/^export (?:const|function) (\w+)/gm)].map(
      ([, name]) => name!,
    )
    return [
      "const absent = () => { throw new Error('JSON Schema is made by the server and by scripts, not in the page') }",
      // What is called for each schema as it is made gives the method, and the rest is called by that.
      ...names.map((name) => `export const ${name} = ${name.startsWith('create') ? '() => absent' : 'absent'}`),
    ].join('\n')
  },
}

/**
 * What a first screen runs is compiled while it comes, off the page's own thread, and not function by function as they are called: a hint to the browser, and
 * to one that does not know it a comment.
 */
export const compiledAsItComes: Plugin = {
  name: 'uldo:compiled-as-it-comes',
  apply: 'build',
  enforce: 'post',
  generateBundle: {
    order: 'post',
    handler: (_, bundle) => {
      for (const chunk of Object.values(bundle))
        if (
          chunk.type === 'chunk' &&
          (chunk.isEntry || FIRST.includes(chunk.name) || PAGES.test(chunk.facadeModuleId ?? ''))
        )
          chunk.code = `//# allFunctionsCalledOnLoad\n${chunk.code}`
    },
  },
}
