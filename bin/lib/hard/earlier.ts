import { readFileSync } from 'node:fs'
import { migrations } from '../../../server/data/migrationFiles'
import type { Places } from './places'

/** The name under which records of the first version are prepared. */
export const EARLIER = 'earlier'

/** Records as the first version left them: forty engines, and every migration but the first before them. */
export async function prepareEarlier(places: Places): Promise<void> {
  const sheet = readFileSync(new URL('../../../demo/builds/ottiline.json', import.meta.url), 'utf8')
  await places.prepare(EARLIER, migrations.slice(0, 1), async (db) => {
    for (let i = 0; i < 40; i++)
      await db.query('insert into build (id, revision, sheet) values (gen_random_uuid(), 0, $1)', [
        JSON.stringify({ ...(JSON.parse(sheet) as object), name: `Engine ${i}` }),
      ])
  })
}
