import { filledWith, type OilChoice } from '#core/record/fill'
import { sameValue } from '~/sync/patches'

/** The record with the oil that the open run was made with: what is filled in later changes nothing of it. */
export function useRunSheet() {
  const build = useBuild()
  const run = useRun()
  return computed(() => {
    const oil = run.run?.setup.oil
    if (!build.sheet || !oil || (sameValue(oil, build.sheet.oil) && !build.sheet.oils)) return build.sheet
    // A worker takes plain values only.
    return filledWith(build.sheet, JSON.parse(JSON.stringify(oil)) as OilChoice)
  })
}
