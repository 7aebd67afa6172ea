/** The build as a file to keep or to send. */
export default defineEventHandler(async (event) => {
  const { sheet } = await requireBuild(event)
  const name = sheet.name.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'build'
  setResponseHeader(event, 'content-disposition', `attachment; filename="${name}.uldo.json"`)
  setResponseHeader(event, 'content-type', 'application/json')
  return JSON.stringify(sheet, null, 2)
})
