/** Words with the font that has their letters. */
export interface Written {
  text: string
  font: string
}

/** Letters of the fonts' Latin files, and those of their extended ones, as their makers part them. */
const LATIN =
  /[\u0000-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2191\u2193\u2212\u2215]/
const EXTENDED = /[\u0100-\u024f\u0259\u1e00-\u1eff\u20a0-\u20ab\u20ad-\u20cf\u2113]/

/**
 * Words parted by the font file that has their letters; one that neither has is a question mark, and never a gap.
 *
 * @example inFonts('Zoë Ő', 'Archivo') // [{ text: 'Zoë ', font: 'Archivo' }, { text: 'Ő', font: 'ArchivoExtended' }]
 */
export function inFonts(words: string, font: 'Archivo' | 'Mono' = 'Archivo'): Written[] {
  const parts: Written[] = []
  for (const letter of words) {
    const own = LATIN.test(letter) ? font : EXTENDED.test(letter) ? `${font}Extended` : undefined
    const text = own ? letter : '?'
    const last = parts.at(-1)
    if (last?.font === (own ?? font)) last.text += text
    else parts.push({ text, font: own ?? font })
  }
  return parts.length > 0 ? parts : [{ text: '', font }]
}
