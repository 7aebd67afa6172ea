import { recorded } from '#core/engine/values'
import { START_POINTS } from '#core/parts/firstStart'

/** Steady points of the first start in their order, each judged by its target and by what this engine should show, where it was read. */
export function useStartPoints() {
  const build = useBuild()
  return useAnswer(
    async (model) => {
      const sheet = build.sheet
      if (!sheet) return []
      return Promise.all(
        START_POINTS.map(async ([name, label]) => {
          const reading = recorded(sheet, `start.${name}.pressure`)
          return { name, label, judged: reading ? await model.point(sheet, name, reading.value) : undefined }
        }),
      )
    },
    () => build.sheet,
  ).value
}
