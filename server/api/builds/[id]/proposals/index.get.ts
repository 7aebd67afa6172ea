import { proposalsOf } from '../../../../data/proposals'

export default describedHandler(
  { about: 'Changes of apprentices that wait for a sign-off, in the order they were made.' },
  async (event) => proposalsOf(requireDatabase(), (await requireBuild(event)).id),
)
