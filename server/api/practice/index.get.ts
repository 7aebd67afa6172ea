import { listResults } from '../../data/practice'

/** What was done on the practice bench, the newest first. */
export default defineEventHandler(async () => listResults(requireDatabase()))
