import type { Dimension } from '../quantity/units'

/** What can be wired up for a run. */
export const CHANNELS = ['pressure', 'gauge', 'speed', 'temperature', 'drill', 'tank', 'heard'] as const
export type Channel = (typeof CHANNELS)[number]

/** What each channel is, and the letter that stands for it on a line from a logger. */
export const CHANNEL: Record<
  Channel,
  { words: string; dimension: Dimension; letter: string; range: [number, number] }
> = {
  pressure: { words: 'Oil pressure, sender', dimension: 'pressure', letter: 'P', range: [-1e5, 3e6] },
  gauge: { words: 'Oil pressure, mechanical gauge', dimension: 'pressure', letter: 'G', range: [-1e5, 3e6] },
  speed: { words: 'Crank speed', dimension: 'speed', letter: 'N', range: [0, 400] },
  temperature: { words: 'Oil temperature', dimension: 'temperature', letter: 'T', range: [-60, 250] },
  drill: { words: 'Drill speed', dimension: 'speed', letter: 'D', range: [0, 200] },
  tank: { words: 'Tank pressure', dimension: 'pressure', letter: 'K', range: [0, 3e6] },
  heard: { words: 'Crank speed, by ear', dimension: 'speed', letter: 'H', range: [0, 400] },
}

/** One sample of a run: s since it began, and what was wired, SI and °C. */
export type ChannelSample = { time: number } & Partial<Record<Channel, number>>

/** A run is numbered by its milliseconds, so that a sample sent twice is kept once. */
export function sequenceOf(sample: Pick<ChannelSample, 'time'>): number {
  return Math.round(1000 * sample.time)
}

/** Whether more than a sound was read. */
export const isRead = (sample: ChannelSample): boolean =>
  CHANNELS.some((channel) => channel !== 'heard' && sample[channel] !== undefined)
