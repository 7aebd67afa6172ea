import { listResults } from '../../data/practice'

export default describedHandler({ about: 'What was done on the practice bench, the newest first.' }, async () =>
  listResults(requireDatabase()),
)
