import type { FitWarning } from '#core/shelf/pumpFit'

/** What may keep a pump from fitting, in words. */
export function fitWords(warning: FitWarning, length: (value: number) => string): string {
  switch (warning.code) {
    case 'other-engine':
      return `kept for the ${warning.engine}`
    case 'drive':
      return `drive is ${warning.has}, the engine’s ${warning.wants}`
    case 'year':
      return `of ${warning.has}, the engine’s of ${warning.wants}: look-alikes of other years may not fit`
    case 'drive-length':
      return `drive ${length(Math.abs(warning.by))} ${warning.by > 0 ? 'longer' : 'shorter'}`
    case 'body-longer':
      return `body ${length(warning.by)} longer: look at the sump and the pickup’s bracket`
  }
}
