import { z } from 'zod'
import { sampleSheet } from '#core/guide/sample'
import { insertBuild } from '../../../data/builds'
import { endSandbox } from '../../../data/floor'

const Body = z.strictObject({ id: z.uuid() })

export default describedHandler(
  {
    about: 'Begins the guided build: a sample engine of its own, that no list of the shop’s engines shows.',
    body: Body,
  },
  async (event) => {
    const { id } = await requireJson(event, Body, 'Guided build')
    // Those whose time is over go.
    await endSandbox(requireDatabase(), id)
    const { revision, sheet } = await insertBuild(requireDatabase(), id, sampleSheet(new Date().toISOString()), true)
    setResponseStatus(event, 201)
    return { id, revision, sheet, sandbox: true }
  },
)
