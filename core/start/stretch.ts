/** A rule must be broken for so many seconds, and in so many readings of a logger. */
export const SURE = { seconds: 1, readings: 3 }

/** How long, and in how many readings, something has held: one reading between that says otherwise does not end it, and its time is taken off. */
export function stretch() {
  let times: number[] = []
  let against = 0
  const self = {
    seconds: 0,
    readings: 0,
    step(holds: boolean, seconds: number) {
      if (holds) {
        self.seconds += self.readings === 0 ? 0 : seconds
        self.readings++
        against = 0
        times.push(seconds)
      } else if (self.readings > 0) {
        against++
        self.seconds = Math.max(0, self.seconds - seconds)
        if (against >= 2 && self.seconds === 0) self.clear()
        else if (against >= 4) self.readings = Math.max(0, self.readings - 1)
      }
      return self
    },
    holds: (atOnce: boolean) =>
      self.readings > 0 &&
      against === 0 &&
      (atOnce || (self.seconds >= SURE.seconds && self.readings >= SURE.readings)),
    /** When it began. */
    since: (now: number) => now - times.slice(1).reduce((sum, each) => sum + each, 0),
    clear() {
      self.seconds = 0
      self.readings = 0
      against = 0
      times = []
    },
  }
  return self
}
