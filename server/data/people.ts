import type { Person, Role } from '#core/house/people'
import { isAlone, type Queries } from './database'

interface PersonRow {
  id: string
  name: string
  role: Role
  pin: string | null
}
const personOf = ({ pin, ...row }: PersonRow): Person => ({ ...row, pin: pin !== null })

/** The list as it was last read, where no other process writes to the records: every change by a hand here forgets it. */
let listed = new WeakMap<Queries, Promise<Person[]>>()

/** Who works here, by name. */
export function listPeople(db: Queries): Promise<Person[]> {
  const known = listed.get(db)
  if (known) return known
  const read = db
    .query<PersonRow>('select id, name, role, pin from person where ended_at is null order by lower(name)')
    .then(({ rows }) => rows.map(personOf))
  if (isAlone(db)) {
    listed.set(db, read)
    read.catch(() => listed.delete(db))
  }
  return read
}

export async function getPerson(db: Queries, id: string): Promise<Person | undefined> {
  const row = (
    await db.query<PersonRow>('select id, name, role, pin from person where id = $1 and ended_at is null', [id])
  ).rows[0]
  return row && personOf(row)
}

/** The hash of a person's PIN; undefined when there is none. */
export async function pinOf(db: Queries, id: string): Promise<string | undefined> {
  return (
    (await db.query<{ pin: string | null }>('select pin from person where id = $1 and ended_at is null', [id])).rows[0]
      ?.pin ?? undefined
  )
}

/** Adds somebody; undefined when one of that name works here. */
export async function addPerson(db: Queries, name: string, role: Role, pin?: string): Promise<Person | undefined> {
  const row = (
    await db.query<PersonRow>(
      'insert into person (name, role, pin) values ($1, $2, $3) on conflict do nothing returning id, name, role, pin',
      [name, role, pin ?? null],
    )
  ).rows[0]
  listed = new WeakMap()
  return row && personOf(row)
}

/** Changes a role or a PIN (null takes it away), or says that somebody works here no longer. */
export async function changePerson(
  db: Queries,
  id: string,
  { role, pin, gone = false }: { role?: Role; pin?: string | null; gone?: boolean },
): Promise<void> {
  await db.query(
    'update person set role = coalesce($2, role), pin = case when $3 then $4 else pin end, ended_at = case when $5 then now() else ended_at end where id = $1',
    [id, role ?? null, pin !== undefined, pin ?? null, gone],
  )
  listed = new WeakMap()
}

/** Whether somebody could still sign in and rule the shop, were `without` gone. */
export async function hasOwner(db: Queries, without?: string): Promise<boolean> {
  return (
    (
      await db.query(
        "select 1 from person where role = 'owner' and pin is not null and ended_at is null and id is distinct from $1",
        [without ?? null],
      )
    ).rows.length > 0
  )
}

export async function getPassphrase(db: Queries): Promise<string | undefined> {
  return (await db.query<{ hash: string }>('select hash from passphrase')).rows[0]?.hash
}

export async function setPassphrase(db: Queries, hash: string): Promise<void> {
  await db.query(
    'insert into passphrase (id, hash) values (1, $1) on conflict (id) do update set hash = $1, set_at = now()',
    [hash],
  )
}
