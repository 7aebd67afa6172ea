/** One build: its sheet at its newest revision. */
export default defineEventHandler(async (event) => {
  const { id, revision, sheet, sandbox } = await requireBuild(event)
  return { id, revision, sheet, sandbox }
})
