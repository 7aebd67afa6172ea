/** Tables of the records, in the order in which they can be filled: what is pointed at before what points. Sessions stand beside them. */
export const TABLES = [
  'build',
  'entry',
  'house',
  'house_entry',
  'photo',
  'shelf_item',
  'shelf_hold',
  'shelf_move',
  'shelf_entry',
  'shelf_history',
  'run',
  'run_event',
  'run_sample',
  'person',
  'passphrase',
  'token',
  'link',
  'access_entry',
  'proposal',
  'practice',
] as const
export type Table = (typeof TABLES)[number]
