import { z } from 'zod'
import { NAME_LENGTH } from '#core/house/people'
import { PracticeResult } from '#core/practice/result'
import { keepResult } from '../../data/practice'

const Body = z.strictObject({ id: z.uuid(), who: z.string().max(NAME_LENGTH).optional(), result: PracticeResult })

export default describedHandler(
  { about: 'Keeps what somebody did on the practice bench.', body: Body },
  async (event) => {
    const { id, who, result } = await requireJson(event, Body, 'Practice')
    const { name } = await requireHand(event, who)
    await keepResult(requireDatabase(), { id, person: name, result })
    setResponseStatus(event, 201)
    return { id }
  },
)
