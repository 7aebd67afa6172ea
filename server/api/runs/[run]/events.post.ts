import { RunEvent } from '#core/run/schema'
import { insertEvent } from '../../../data/runs'
import { actOnRig, stopRig } from '../../../rig/clock'

export default describedHandler(
  { about: 'Enters what happened in a run, once, and answers once it is committed.', body: RunEvent },
  async (event) => {
    const run = await requireRun(event)
    const sent = await requireJson(event, RunEvent, 'Event')
    const body = { ...sent, who: (await requireHand(event, sent.who)).name }
    // A rig acts at its own time, so that it can be gone through again.
    const time = body.kind === 'act' ? (actOnRig(run.id, String(body.data.action)) ?? body.time) : body.time
    const entered = await insertEvent(requireDatabase(), run.id, { ...body, time })
    if (!entered) throw refusal(404, 'unknown-run', 'Event: the run is gone.')
    if (!entered.again) {
      announceRun(run.id, { kind: 'event', event: entered.event })
      if (body.kind === 'end') {
        stopRig(run.id)
        announceRun(run.id, { kind: 'end', outcome: body.words || 'ended' })
      }
    }
    return entered.event
  },
)
