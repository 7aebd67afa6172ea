import { checkRecords } from '../data/integrity'

export default describedHandler({ about: 'Reads all records and replays all entries; what differs.' }, async () => ({
  damage: await checkRecords(requireDatabase()),
}))
