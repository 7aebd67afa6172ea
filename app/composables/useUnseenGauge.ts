import { GAUGE_UNSEEN } from '~/words/gauge'
import { t } from '~/words/of/sight'

/** Why the camera of this tab does not see the gauge that its run is fed by, and what to do; nothing where it does, or where none is. */
export function useUnseenGauge() {
  const run = useRun()
  const camera = useGaugeCamera()
  return computed(() => {
    if (run.run?.setup.source !== 'camera' || !run.own || run.ended) return ''
    if (!camera.following) return t('gauge.followsNone')
    return camera.unseen ? GAUGE_UNSEEN[camera.unseen] : ''
  })
}
