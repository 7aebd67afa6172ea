/** A text as CSS takes it between quotation marks: nothing that somebody named an engine can end it. */
export const cssText = (words: string) =>
  `"${words.replace(/[\\"<>\n\r]/g, (sign) => `\\${sign.codePointAt(0)!.toString(16)} `)}"`
