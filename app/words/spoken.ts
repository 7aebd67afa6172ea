import { decimalMark } from './numbers'

/**
 * A figure as one man reads it to another: what stands before the mark as a number, what comes after it digit by digit, so that no nought is lost. Numbers stay numbers, since the voice knows how its language says them.
 *
 * @example spokenFigure('60.041') // '60 0 4 1'
 */
export function spokenFigure(figure: string): string {
  const mark = decimalMark()
  return figure.replaceAll(/[−-]?\d[\d.,\u00a0\u202f' ]*/g, (number) => {
    const text = number.trim()
    const at = text.lastIndexOf(mark)
    const whole = (at < 0 ? text : text.slice(0, at)).replaceAll(/[^\d]/g, '')
    const digits = at < 0 ? [] : [...text.slice(at + 1)]
    return `${/^[−-]/.test(text) ? '− ' : ''}${[whole, ...digits].join(' ')}${/\s$/.test(number) ? ' ' : ''}`
  })
}
