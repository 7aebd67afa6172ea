/** A paper that leaves the shop, as data: shown as a page and written as a PDF from the same. */
export interface Paper {
  title: string
  /** The engine that it is of. */
  of: string
  /** By whom and when it was made, as it stands at its foot. */
  made: string
  page: 'sheet' | 'card'
  blocks: Block[]
}

export interface TableColumn {
  head: string
  /** Figures stand to the right, in the reading's type. */
  figures?: boolean
}

export type Block =
  | { kind: 'heading'; words: string }
  | { kind: 'text'; words: string; tone?: 'quiet' | 'careful' | 'stop' }
  | { kind: 'facts'; facts: [what: string, words: string][] }
  /** A cell’s second line stands under its first. */
  | { kind: 'table'; label: string; columns: TableColumn[]; rows: string[][] }
  /** A drawing of the page, by the name that it is drawn under; its lines are handed over as SVG. */
  | { kind: 'drawing'; name: string; label: string }
  /** An address as a code to be read by a telephone. */
  | { kind: 'code'; address: string; words: string }
  /** Lines to write on. */
  | { kind: 'signature'; lines: string[] }
