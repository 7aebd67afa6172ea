import { listLinks } from '../../../../data/links'

export default describedHandler(
  { about: 'Links for customers to this build’s papers that stand, without their secrets.' },
  async (event) => listLinks(requireDatabase(), (await requireBuild(event)).id),
)
