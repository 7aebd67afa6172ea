import { z } from 'zod'
import { DECISIONS, NAME_LENGTH, suffices } from '#core/house/people'
import { enterChange } from '../../../../data/enterChange'
import { decide, waitingProposal } from '../../../../data/proposals'

const Body = z.strictObject({
  decision: z.enum(DECISIONS),
  words: z.string().trim().max(300).default(''),
  /** Enters it over what was written there since, which has been seen. */
  over: z.boolean().default(false),
  who: z.string().max(NAME_LENGTH).optional(),
})

export default describedHandler(
  {
    about:
      'Signs an apprentice’s change off, so that it is entered in the apprentice’s name; sends it back; or takes it back, by whoever made it.',
    body: Body,
  },
  async (event) => {
    const { id, revision } = await requireBuild(event)
    const number = requireValid(
      z.coerce.number().int().min(1).max(2_147_483_647),
      getRouterParam(event, 'number'),
      'Change that waits',
    )
    const { decision, words, over, who } = await requireJson(event, Body, 'Sign-off')
    const hand = await requireHand(event, who)
    const db = requireDatabase()
    const waiting = await waitingProposal(db, id, number)
    if (!waiting)
      throw refusal(404, 'decided', 'That change waits no longer: somebody has dealt with it.', {
        problems: [{ path: 'number', message: 'waits no longer' }],
      })
    if (decision === 'taken-back' ? waiting.who !== hand.name : !suffices(hand.role, 'builder'))
      throw refusal(
        403,
        'role',
        decision === 'taken-back'
          ? `Only ${waiting.who} takes it back.`
          : `${hand.name} may not sign off: it takes a builder.`,
      )
    if (decision !== 'signed') {
      await decide(db, number, decision, hand.name, words)
      announceShop({ kind: 'proposals', build: id })
      return { decision }
    }
    const { orders = [], ...change } = waiting.change
    const made = over ? { ...change, base: revision } : change
    const entry = entered(
      id,
      await enterChange(db, id, made, { orders, bound: true, signed: { number, by: hand.name, words } }).catch(asShort),
      orders.length > 0,
    )
    announceShop({ kind: 'proposals', build: id })
    return entry
  },
)
