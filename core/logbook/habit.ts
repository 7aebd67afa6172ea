import type { Experience } from '../record/experience'
import type { LessonReading, NoLesson } from './lessons'

/** Fewer engines than this say nothing yet. */
export const LEAST_ENGINES = 3

/** An engine of the shop whose gauge was read, beside the prediction of its record alone. */
export interface StartedEngine {
  build: string
  name: string
  engine: string
  /** When it was read, ISO 8601; empty where nobody wrote it down. */
  at: string
  /** Of the same kind as the build that is asked for. */
  sister: boolean
  readings: Pick<LessonReading, 'state' | 'read' | 'predicted'>[]
  /** Its furthest reading in standard deviations of what the others foretell, and by how many engines in so many one is so far off by chance. */
  far: number
  odds: number
  /** Whether it is counted; one that lies too far off has a fault behind it and no habit. */
  counts: boolean
}

/** What the shop's other engines say of a build, and each of them. */
export interface Learnt {
  experience?: Experience
  engines: StartedEngine[]
  /** Engines that were read and teach nothing, each with its reason. */
  silent?: { build: string; name: string; why: NoLesson }[]
}
