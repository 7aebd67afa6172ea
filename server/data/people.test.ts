import { expect, it } from 'vitest'
import { hasAlone } from './database'
import { addPerson, changePerson, listPeople } from './people'
import { emptyDatabase } from './testDatabase'

it('a list that is kept is another as soon as somebody comes, changes or goes', async () => {
  const db = hasAlone(await emptyDatabase())
  const names = async () => (await listPeople(db)).map(({ name, role }) => `${name} ${role}`)
  expect(await names()).toEqual([])
  const { id } = (await addPerson(db, 'Maren', 'builder'))!
  expect(await names()).toEqual(['Maren builder'])
  await changePerson(db, id, { role: 'owner' })
  expect(await names()).toEqual(['Maren owner'])
  // In a transaction that is taken back nobody came.
  await db
    .transaction(async (tx) => {
      await addPerson(tx, 'Jorun', 'builder')
      throw new Error('taken back')
    })
    .catch(() => undefined)
  expect(await names()).toEqual(['Maren owner'])
  await changePerson(db, id, { gone: true })
  expect(await names()).toEqual([])
  await db.close()
})

it('what another process may write is read each time', async () => {
  const db = await emptyDatabase()
  await addPerson(db, 'Maren', 'builder')
  expect(await listPeople(db)).toHaveLength(1)
  await db.query("insert into person (name, role) values ('Ilse', 'builder')")
  expect(await listPeople(db)).toHaveLength(2)
  await db.close()
})
