import { expect, test } from '@playwright/test'
import { killedInCreation, killedInMigration, killedInMove } from '../bin/lib/hard/killed'
import { placesOn } from '../bin/lib/hard/places'

// A small share of `npm run hardships`, which kills more often, and fills disks and sets clocks beside.
for (const [on, times] of [
  ['folder', 1],
  ['postgres', 3],
] as const) {
  test(`records that are made, or brought up to date, in a ${on}: killed in the middle they are whole after the next start`, async () => {
    test.setTimeout(240_000)
    const places = await placesOn(on)
    try {
      expect(await killedInCreation(places, times)).toContain('each time whole')
      expect(await killedInMigration(places, times)).toContain('each time whole')
    } finally {
      await places.stop()
    }
  })
}

test('records that are moved to a server: killed in the middle and run again they are whole there, and untouched where they came from', async () => {
  test.setTimeout(240_000)
  const places = await placesOn('folder')
  try {
    expect(await killedInMove(places, 1)).toContain('whole there')
  } finally {
    await places.stop()
  }
})
