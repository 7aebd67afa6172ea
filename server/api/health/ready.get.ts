import { recordsState } from '../../plugins/records'

/** A database that takes longer is not there for a proxy, ms. */
const PATIENCE = 2000

export default describedHandler(
  {
    about:
      'Whether requests may be sent here: the records are open, answer, and hold together as far as they were looked through; what a proxy asks.',
  },
  async () => {
    const asked = requireDatabase().query('select 1')
    const late = new Promise<never>((_, fail) =>
      setTimeout(() => fail(refusal(503, 'unreadable', 'The records do not answer.')), PATIENCE).unref(),
    )
    await Promise.race([asked, late])
    if (recordsState.damage.length > 0) throw refusal(503, 'damaged', 'The records do not hold together.')
    return { ready: true }
  },
)
