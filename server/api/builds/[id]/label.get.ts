import { UNIT_CHOICES } from '#core/quantity/unitChoices'
import { z } from 'zod'
import { plugLabel } from '#core/outlook/plugLabel'
import { getHouse } from '../../../data/house'
import { layLabel } from '../../../label/layout'
import { labelPdf } from '../../../label/pdf'
import { labelSvg } from '../../../label/svg'
import { labelWords } from '../../../label/words'

const Query = z.object({
  valve: z.enum(['relief', 'relief2']).default('relief'),
  form: z.enum(['svg', 'pdf']).default('svg'),
})

export default describedHandler(
  {
    about: 'The label of a relief plug: what is behind it, and a code that opens the build on this network.',
    query: Query,
    gives: 'image/svg+xml',
  },
  async (event) => {
    const { valve, form } = requireValid(Query, getQuery(event), 'Label')
    const { id, sheet } = await requireBuild(event)
    if (valve === 'relief2' && !sheet.layout.galleryRelief)
      throw refusal(404, 'unknown-valve', 'This layout has no second relief valve.', {
        problems: [{ path: 'valve', message: 'is not in this layout' }],
      })
    const { house } = await getHouse(requireDatabase())
    const label = labelWords(plugLabel(sheet, valve), UNIT_CHOICES[house.units])
    const drawn = layLabel(label, `${networkAddress(event)}/build/${id}/relief`)
    setResponseHeader(event, 'cache-control', 'no-store')
    if (form === 'svg') {
      setResponseHeader(event, 'content-type', 'image/svg+xml')
      return labelSvg(drawn)
    }
    setResponseHeader(event, 'content-type', 'application/pdf')
    setResponseHeader(event, 'content-disposition', 'inline; filename="plug-label.pdf"')
    return Buffer.from(await labelPdf(drawn, `${label.title}, ${label.engine}`))
  },
)
