import { type FilmCase, FilmError, type Fineness } from './types'

/** Refuses a bearing that has no film, at the door, naming the field. */
export function checkFilm(bearing: FilmCase, fineness: Fineness): void {
  for (const field of ['diameter', 'length', 'radialClearance', 'speed', 'viscosity'] as const) {
    if (!(bearing[field] > 0 && Number.isFinite(bearing[field])))
      throw new FilmError(field, 'must be greater than zero')
  }
  if (!(bearing.feedPressure >= 0 && Number.isFinite(bearing.feedPressure)))
    throw new FilmError('feedPressure', 'must not be negative')
  if (bearing.radialClearance >= 0.1 * bearing.diameter)
    throw new FilmError('radialClearance', 'must be much smaller than the diameter')
  const { feed } = bearing
  if (feed.kind === 'groove') {
    const lower = feed.lower ?? 0
    if (!(lower >= 0 && lower <= Math.PI + 1e-9)) throw new FilmError('groove.lower', 'must be at most 180 degrees')
    if (!(feed.arc >= 0 && feed.arc + lower > 0 && feed.arc + lower <= 2 * Math.PI + 1e-9))
      throw new FilmError('groove.arc', 'must be above 0 and at most 360 degrees')
    if (!(feed.width > 0 && feed.width < 0.9 * bearing.length))
      throw new FilmError('groove.width', 'must be above 0 and leave a land on each side')
    if (!Number.isFinite(feed.centre)) throw new FilmError('groove.centre', 'must be a number')
  }
  if (!(fineness.across >= 4 && fineness.across % 2 === 0 && fineness.around >= 24))
    throw new FilmError('fineness', 'must be 24 or more round and an even 4 or more across')
}
