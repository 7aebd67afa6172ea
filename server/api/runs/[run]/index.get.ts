export default describedHandler({ about: 'A run with its events, without its samples.' }, async (event) =>
  shown(await requireRun(event)),
)
