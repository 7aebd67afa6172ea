import { catalogueOf } from '../core/engine/catalogue'
import type { Sheet } from '../core/record/schema'
import { readingPath } from '../app/composables/stations'
import { buildId, expect, field, go, sharing as test } from './server'

/** Readings that stand in views of a choice: how the rate was measured, which passage is looked at, how a valve was tried, a strip where a side is missing. */
const BEHIND =
  /^(main|rod)\.\d\.clearance$|\.(height\d|load\d|coils|springRate|benchTemperature|benchSpeed|benchShims|benchInstalled|saidStiffer|rateBefore)$|^pump\.gasket$|^pump\.centres$|^start\.|^prime\./

test('every reading stands where the find palette and n lead to', async ({ server, bench: page }) => {
  const id = await buildId(server, 'Barge pump')
  const sheet = (await (await fetch(`${server.address}/api/builds/${id}`)).json()).sheet as Sheet
  const paths = new Map<string, string[]>()
  for (const quantity of catalogueOf(sheet.layout).quantities.values()) {
    const { key } = quantity
    if (BEHIND.test(key) || /^(main|rod)\.[2-9]\./.test(key)) continue
    const path = readingPath(id, quantity)
    paths.set(path, [...(paths.get(path) ?? []), key])
  }
  expect(paths.size).toBeGreaterThan(15)
  for (const [path, keys] of paths) {
    await go(page, server.address + path)
    // The page itself may take its time to come.
    for (const [i, key] of keys.entries())
      await expect.soft(field(page, key), `${key} at ${path}`).toBeVisible({ timeout: i === 0 ? 15_000 : 4000 })
  }
})
