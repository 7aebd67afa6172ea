import { closedCases } from '../data/cases'

export default describedHandler(
  { about: 'What the shop’s closed cases were: they move what a trace thinks likely.' },
  async () => closedCases(requireDatabase()),
)
