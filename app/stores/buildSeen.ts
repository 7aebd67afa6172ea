import type { Proposal } from '#core/house/people'
import type { Sheet } from '#core/record/schema'
import { keepSeen } from '~/sync/lastSeen'

/** Keeps the open build as it has become since it was fetched: what was written is seen again without the network too. */
export function keepWhatIsSeen({
  id,
  revision,
  confirmed,
  sandbox,
  proposed,
}: {
  id: Ref<string | undefined>
  revision: Ref<number>
  confirmed: Ref<Sheet | undefined>
  sandbox: Ref<boolean>
  proposed: Ref<Proposal[] | undefined>
}): void {
  watch(confirmed, (now) => {
    if (id.value && now)
      void keepSeen(
        'GET /api/builds/:build',
        { build: id.value },
        { revision: revision.value, sheet: toRaw(now), sandbox: sandbox.value },
      )
  })
  watch(
    proposed,
    (now) =>
      now &&
      id.value &&
      confirmed.value &&
      void keepSeen('GET /api/builds/:build/proposals', { build: id.value }, [...now]),
  )
}
