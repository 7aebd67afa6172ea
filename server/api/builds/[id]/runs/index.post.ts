import { NewRun } from '#core/run/schema'
import { insertRun } from '../../../../data/runs'
import { runRig } from '../../../../rig/clock'
import { watchStart } from '../../../../watch/clock'

export default describedHandler(
  {
    about:
      'Begins a run, under an id of the browser’s own so that it can be sent again; one that a rig feeds starts its clock.',
    body: NewRun,
  },
  async (event) => {
    const build = await requireBuild(event)
    const sent = await requireJson(event, NewRun, 'New run')
    const body = { ...sent, who: (await requireHand(event, sent.who)).name }
    const run = await insertRun(requireDatabase(), build.id, body)
    if (run!.buildId !== build.id)
      throw refusal(409, 'conflict', 'New run: that id belongs to another build’s run.', {
        problems: [{ path: 'id', message: 'is taken' }],
      })
    if (keepsWatch()) {
      if (run!.setup.rig && !run!.endedAt) await runRig(requireDatabase(), run!, build.sheet)
      await watchStart(watchParts(), run!, build.sheet)
    } else announceBegun(run!.id)
    setResponseStatus(event, 201)
    return shown(run!)
  },
)
