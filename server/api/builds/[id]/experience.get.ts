import { learntFor } from '../../../threads/experience'
import { TooBusy } from '../../../threads/pool'

export default describedHandler(
  { about: 'What the shop’s other engines say of a build’s model, each of them named.' },
  async (event) => {
    const { id, sheet } = await requireBuild(event)
    try {
      return await learntFor(requireDatabase(), id, sheet)
    } catch (error) {
      throw error instanceof TooBusy ? refusal(429, 'busy', error.message) : error
    }
  },
)
