import { endSandbox } from '../../../data/floor'

export default describedHandler(
  {
    about:
      'Ends a build to learn on: it and all that was tried on it are gone. An engine of the shop’s is deleted under its name instead, and kept for a while.',
  },
  async (event) => {
    const id = requireBuildId(event)
    if (!(await endSandbox(requireDatabase(), id))) throw unknownBuild(id)
    setResponseStatus(event, 204)
    return null
  },
)
