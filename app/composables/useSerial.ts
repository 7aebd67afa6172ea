import { t } from '~/words/of/frame'
import type { ChannelSample } from '#core/run/channels'
import { parseLine } from '#core/run/line'

/** What is used of the browser's serial port. */
interface Port {
  open: (options: { baudRate: number }) => Promise<void>
  close: () => Promise<void>
  readable: ReadableStream<Uint8Array> | null
}
interface Serial {
  requestPort: () => Promise<Port>
}

/** Speeds that home-made loggers speak at. */
export const BAUD_RATES = [115_200, 57_600, 9600] as const

/** A clock that goes back by more than this began anew, s. */
const RESTARTED = 0.5

/**
 * Readings from a home-made logger on this machine's serial port, a line each (core/run/line); what cannot be read is counted and the last of it
 * kept to be shown. Lines without a time are stamped with `now`.
 */
export function useSerial(now: () => number, take: (samples: ChannelSample[]) => void) {
  const supported = 'serial' in navigator
  const state = ref<'shut' | 'open' | 'lost'>('shut')
  const good = ref(0)
  const bad = ref(0)
  const problem = ref('')
  let port: Port | undefined
  let reader: ReadableStreamDefaultReader<string> | undefined
  let zero: number | undefined
  let last = -1

  async function open(baudRate: number) {
    problem.value = ''
    try {
      port = await (navigator as unknown as { serial: Serial }).serial.requestPort()
      await port.open({ baudRate })
    } catch (error) {
      problem.value =
        (error as Error).name === 'NotFoundError'
          ? t('useSerial.noPortWasChosen')
          : t('useSerial.thePortCannotBeOpened', { message: (error as Error).message })
      return
    }
    state.value = 'open'
    void read()
  }

  async function read() {
    let rest = ''
    try {
      reader = port!
        .readable!.pipeThrough(new TextDecoderStream() as unknown as ReadableWritablePair<string, Uint8Array>)
        .getReader()
      for (;;) {
        const { value, done } = await reader.read()
        if (done) break
        const lines = (rest + value).split(/\r\n|\n|\r/)
        rest = lines.pop() ?? ''
        takeLines(lines)
      }
      state.value = 'shut'
    } catch (error) {
      state.value = 'lost'
      problem.value = t('useSerial.thePortWasLostPlugIt', { message: (error as Error).message })
    }
  }

  /** The run's second of a line, always after the one before it. The logger's own clock begins where the run stands at its first line, and anew when it goes back: the logger was started again. */
  function stamp(time: number | undefined): number {
    if (time !== undefined && (zero === undefined || time + zero < last - RESTARTED)) zero = now() - time
    last = Math.max(last + 0.001, time === undefined ? now() : time + zero!)
    return last
  }

  function takeLines(lines: string[]) {
    const samples: ChannelSample[] = []
    for (const line of lines) {
      const parsed = parseLine(line)
      if (!parsed.ok) {
        bad.value++
        problem.value = t('useSerial.aLineCouldNotBeRead', { message: parsed.message })
        continue
      }
      const { time, ...channels } = parsed.sample
      if (Object.keys(channels).length === 0) continue
      samples.push({ ...channels, time: stamp(time) })
    }
    good.value += samples.length
    if (samples.length > 0) take(samples)
  }

  async function shut() {
    await reader?.cancel().catch(() => undefined)
    await port?.close().catch(() => undefined)
    state.value = 'shut'
  }
  onBeforeUnmount(shut)
  return { supported, state, good, bad, problem, open, shut }
}
