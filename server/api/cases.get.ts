import { closedCases } from '../data/cases'

/** What the shop's closed cases were: they move what a trace thinks likely. */
export default defineEventHandler(async () => closedCases(requireDatabase()))
