/** What the audio thread runs: hands on what the microphone gives, a piece at a time, and sounds nothing itself. */
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}
declare function registerProcessor(name: string, processor: new () => AudioWorkletProcessor): void

/** Samples in a piece: some thirteen pieces a second. */
const PIECE = 3584

class Ear extends AudioWorkletProcessor {
  private piece = new Float32Array(PIECE)
  private held = 0

  process([input]: Float32Array[][]): boolean {
    const heard = input?.[0]
    if (!heard) return true
    this.piece.set(heard, this.held)
    this.held += heard.length
    if (this.held + heard.length > PIECE) {
      const whole = this.piece.slice(0, this.held)
      this.port.postMessage(whole, [whole.buffer])
      this.held = 0
    }
    return true
  }
}
registerProcessor('ear', Ear)
