import type { GaugeRead } from '#core/sight/gauge'

/** s without a reading after which a camera does not see its gauge: two pictures of it, so that it is said within three tenths. */
export const SIGHT_LOST = 0.22

/** What this tab's camera reads of a gauge now; undefined where it follows none or does not see it. Apart from what follows it, which a page fetches only where a camera is asked for. */
export const gaugeRead = shallowRef<GaugeRead>()
