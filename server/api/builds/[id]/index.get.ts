export default describedHandler({ about: 'One build: its sheet at its newest revision.' }, async (event) => {
  const { id, revision, sheet, sandbox } = await requireBuild(event)
  return { id, revision, sheet, sandbox }
})
