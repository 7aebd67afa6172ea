/** Which way Enter goes in a table of readings: along its rows, or down its columns as one instrument after the other measures. */
export type EnterWay = 'across' | 'down'

/** What is measured in a column, of whichever table: `main.bore` and `rod.bore` are read with the one instrument. */
const kindOf = (column = '') => column.split('.').pop()

/** The readings of a run in the order in which Enter takes them: as they stand, or one kind after the other, each down its columns. */
export function inOrder<T extends { dataset: DOMStringMap }>(fields: readonly T[], way: EnterWay): T[] {
  if (way === 'across') return [...fields]
  const kinds = [...new Set(fields.map(({ dataset }) => kindOf(dataset.column)))]
  return kinds.flatMap((kind) => fields.filter(({ dataset }) => kindOf(dataset.column) === kind))
}

/** Moves the hand from a reading to one so many on; past the last one it is let go. */
export function moveFrom(
  field: HTMLInputElement,
  step: number,
  of: { run: string; way: EnterWay } | { column: string },
) {
  const within = 'run' in of ? `[data-run="${of.run}"]` : `[data-column="${of.column}"]`
  const all = [...document.querySelectorAll<HTMLInputElement>(`main input${within}`)]
  const fields = 'run' in of ? inOrder(all, of.way) : all
  const next = fields[fields.indexOf(field) + step]
  if (next) next.focus()
  else if (step > 0) field.blur()
}
