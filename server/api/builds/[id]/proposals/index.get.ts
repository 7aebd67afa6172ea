import { proposalsOf } from '../../../../data/proposals'

/** Changes of apprentices that wait for a sign-off, in the order they were made. */
export default defineEventHandler(async (event) => proposalsOf(requireDatabase(), (await requireBuild(event)).id))
