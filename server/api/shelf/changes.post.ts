import { enterShelfChange, figureOf } from '../../data/shelfChanges'
import { z } from 'zod'
import { ShelfEntry } from '#core/shelf/schema'

const head = { clientKey: z.uuid(), who: z.string().trim().min(1, 'must name who writes it').max(60), item: z.uuid() }
const Figures = z.record(
  z
    .string()
    .regex(/^(kind|label|engine|count|place|note|price|photo|properties\.\w{1,40})$/, 'is not a figure of an item'),
  z.union([z.string().max(300), z.number(), z.null()]),
)
const Body = z.discriminatedUnion('kind', [
  z.strictObject({ ...head, kind: z.literal('add'), entry: ShelfEntry }),
  z.strictObject({ ...head, kind: z.literal('set'), was: Figures, set: Figures }),
  z.strictObject({ ...head, kind: z.literal('remove') }),
])

export default describedHandler(
  { about: 'Enters a change to the shelf’s items, once under its key.', body: Body },
  async (event) => {
    const change = await requireJson(event, Body, 'Shelf')
    const result = await enterShelfChange(requireDatabase(), {
      ...change,
      who: (await requireHand(event, change.who)).name,
    })
    switch (result.kind) {
      case 'entered':
        announceShop({ kind: 'shelf' })
        return { item: result.item ?? null }
      case 'overwritten': {
        const { item, field } = result
        throw refusal(
          409,
          'conflict',
          `Somebody changed it since: ${field.replace('properties.', '')} is ${figureOf(item, field) ?? 'not given'} now.`,
          {
            problems: [{ path: field, message: 'was written since' }],
            conflict: {
              path: field,
              revision: item.revision,
              now: figureOf(item, field),
              who: 'Somebody',
              at: new Date().toISOString(),
            },
          },
        )
      }
      case 'invalid':
        throw refusal(400, 'invalid', `Shelf: ${result.problems[0].path} ${result.problems[0].message}`, {
          problems: result.problems,
        })
      default:
        return itemAnswer(result)
    }
  },
)
