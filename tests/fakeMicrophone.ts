import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ARGS } from '../bin/lib/browser.mjs'

/** Writes what the browser's stand-in for a microphone hears, again and again, as 16-bit PCM; tells where. */
export function writeSound(samples: Float32Array, rate: number): string {
  const heard = join(mkdtempSync(join(tmpdir(), 'uldo-microphone-')), 'heard.wav')
  const file = Buffer.alloc(44 + 2 * samples.length)
  file.write('RIFF', 0)
  file.writeUInt32LE(36 + 2 * samples.length, 4)
  file.write('WAVEfmt ', 8)
  file.writeUInt32LE(16, 16)
  file.writeUInt16LE(1, 20)
  file.writeUInt16LE(1, 22)
  file.writeUInt32LE(rate, 24)
  file.writeUInt32LE(2 * rate, 28)
  file.writeUInt16LE(2, 32)
  file.writeUInt16LE(16, 34)
  file.write('data', 36)
  file.writeUInt32LE(2 * samples.length, 40)
  samples.forEach((each, i) => file.writeInt16LE(Math.round(32_767 * each), 44 + 2 * i))
  writeFileSync(heard, file)
  return heard
}

/** A browser that has this sound at its microphone. */
export const withMicrophone = (heard: string) => ({
  args: [
    ...ARGS,
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${heard}`,
  ],
})
