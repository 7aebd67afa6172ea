/** Sent to a reading's field with one pasted cell as its detail. */
export const PASTED = 'uldo-pasted'

/** Rows and cells of a block copied from a spreadsheet: lines, parted by tabs. */
export function cellsOf(block: string): string[][] {
  return block
    .replace(/\r/g, '')
    .replace(/\n+$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))
}

/**
 * Spreads a pasted block over the readings from `first` on: down its column in the engine's order, across the fields of its row. Empty
 * cells leave what is there. False when the block is a single cell, which is an ordinary paste.
 */
export function spreadPasted(first: HTMLInputElement, block: string): boolean {
  const cells = cellsOf(block)
  if (cells.length === 1 && cells[0].length === 1) return false
  const column = [...document.querySelectorAll<HTMLInputElement>(`main input[data-column="${first.dataset.column}"]`)]
  cells.forEach((row, r) => {
    const start = column[column.indexOf(first) + r]
    if (!start) return
    const across = [...(start.closest('tr')?.querySelectorAll<HTMLInputElement>('input[data-reading]') ?? [start])]
    row.forEach((cell, c) => {
      const target = across[across.indexOf(start) + c]
      if (target && cell !== '') target.dispatchEvent(new CustomEvent(PASTED, { detail: cell }))
    })
  })
  return true
}
