/** What a file of a build is called: its name in small letters, figures and strokes. */
export const fileNameOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'build'
