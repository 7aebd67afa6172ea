import { seeded } from '../../../core/random/random'
import { prepareEar } from '../../../core/sound/ear'
import { anyEngine, drawEngineSound } from './engineSound'

/** Engines heard from their first second on, and shops in which none runs; each quarter of a second a speed, or none. */
export function benchEars(
  sounds: number,
  share: (values: number[], part: number) => number,
  must: (holds: boolean, words: string) => void,
): void {
  const BEFORE = 2
  const errors: number[] = []
  const times: number[] = []
  const nots = new Map<string, number>()
  let [sure, wrong, outside, ghosts, inFirst, asked] = [0, 0, 0, 0, 0, 0]
  for (let k = 0; k < sounds * 1.25; k++) {
    const random = seeded(11_000 + k)
    const wish = anyEngine(random, k)
    const runs = k < sounds
    const sound = drawEngineSound(random, { ...wish, over: runs ? wish.over : undefined, before: BEFORE })
    // What the hand at the throttle said is a third off at most.
    const about = wish.speed * (0.75 + 0.55 * random())
    const ways = [{ fires: wish.fires, cycle: wish.cycle }]
    const ear = prepareEar(sound.rate, { ways, slowest: 1.5, fastest: 100 })
    let from = 0
    for (let quarter = 4; quarter <= 16; quarter++) {
      const time = quarter / 4 - (quarter === 12 ? 0.02 : 0)
      ear.take(sound.samples.subarray(from, Math.round(time * sound.rate)))
      from = Math.round(time * sound.rate)
      if (time <= BEFORE) ear.shop()
      if (time < BEFORE + 0.9) continue
      const began = performance.now()
      const heard = ear.listen(about)
      times.push(performance.now() - began)
      if (runs) asked++
      if ('unheard' in heard) {
        if (runs) nots.set(heard.unheard, (nots.get(heard.unheard) ?? 0) + 1)
        continue
      }
      if (!runs) {
        ghosts++
        continue
      }
      const error = Math.abs(heard.speed / sound.speed(time - heard.ago) - 1)
      errors.push(error)
      sure++
      if (quarter === 12) inFirst++
      if (error > 0.01) wrong++
      if (error * heard.speed > 4 * heard.sigma) outside++
    }
  }
  console.log(
    `Speed by ear: ${sounds} sounds; within a second ${inFirst} were sure; ${sure} of ${asked} times in all, within ${(100 * share(errors, 0.95)).toFixed(2)} percent at 95 of 100 (wanted 1), at most ${(100 * share(errors, 1)).toFixed(2)}, ${wrong} outside 1, ${outside} outside twice what they state; of ${sounds / 4} shops without an engine a speed was heard ${ghosts} times; ${share(times, 0.5).toFixed(0)} ms each, four a second`,
  )
  console.log(`  not sure as ${[...nots].map(([name, count]) => `${name} ${count}`).join(', ')}`)
  must(wrong === 0, 'ear: within 1 percent, or not sure')
  must(ghosts === 0, 'ear: no speed without an engine')
  must(inFirst >= 0.5 * sounds, 'ear: half of them sure within a second')
  must(share(times, 0.5) < 125, 'ear: half of a core')
}
