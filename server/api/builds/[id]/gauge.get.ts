import { z } from 'zod'
import { gaugeReading } from '#core/rig/gauge'

const Asked = z.object({
  reading: z.string().min(1).max(80),
  engine: z.coerce.number().int().min(0).max(1e6).default(1),
  press: z.coerce.number().int().min(0).max(1e6).default(0),
})

export default describedHandler(
  { about: 'What the simulated digital gauge shows at a place of this build’s engine, SI.', query: Asked },
  async (event) => {
    const { sheet } = await requireBuild(event)
    const { reading, engine, press } = requireValid(Asked, getQuery(event), 'Gauge')
    try {
      return { reading, value: gaugeReading(sheet, reading, engine, press) }
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      throw refusal(400, 'invalid', `Gauge: ${error.message}`, {
        problems: [{ path: 'reading', message: 'is not a reading of this layout' }],
      })
    }
  },
)
