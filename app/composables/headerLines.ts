/** Lines of a file that may have its headings, to choose from, by their number and what stands in them; 0 where none has. */
export const headerLines = (rows: readonly (readonly string[])[], none: string): { value: string; words: string }[] => [
  { value: '0', words: none },
  ...rows.slice(0, 12).flatMap((row, i) => {
    const words = row.filter(Boolean).join(' · ')
    return words ? [{ value: String(i + 1), words: `${i + 1}: ${words.slice(0, 60)}` }] : []
  }),
]
