import { checkRecords } from '../data/integrity'

/** Reads all records and replays all entries; what differs. */
export default defineEventHandler(async () => ({ damage: await checkRecords(requireDatabase()) }))
