/** Two tones that carry through a running engine's noise, while something stands; a hand on the page must have let sound in before. */
export function useAlarm(on: () => boolean) {
  let context: AudioContext | undefined
  let oscillator: OscillatorNode | undefined
  let timer: ReturnType<typeof setInterval> | undefined
  const sounding = ref(false)
  /** It should sound and the browser does not let it: nobody has touched this page yet. */
  const blocked = ref(false)

  /** Lets sound in: called from a press. */
  function ready() {
    context ??= new AudioContext()
    context.onstatechange = () => (blocked.value = sounding.value && context!.state !== 'running')
    void context.resume()
  }

  function start() {
    ready()
    if (!context || oscillator) return
    const gain = context.createGain()
    gain.gain.value = 0.4
    gain.connect(context.destination)
    oscillator = context.createOscillator()
    oscillator.type = 'square'
    oscillator.frequency.value = 880
    oscillator.connect(gain)
    oscillator.start()
    let high = true
    timer = setInterval(() => {
      high = !high
      if (oscillator) oscillator.frequency.value = high ? 880 : 620
    }, 250)
    sounding.value = true
    blocked.value = context.state !== 'running'
  }

  function stop() {
    clearInterval(timer)
    oscillator?.stop()
    oscillator?.disconnect()
    oscillator = undefined
    sounding.value = false
    blocked.value = false
  }

  watch(on, (now) => (now ? start() : stop()), { immediate: true })
  onBeforeUnmount(stop)
  return { ready, sounding, blocked }
}
