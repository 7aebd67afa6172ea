export default describedHandler(
  { about: 'Keeps a photo of a build.', takes: ['image/jpeg', 'image/png', 'image/webp'] },
  async (event) => keepPhoto(event, (await requireBuild(event)).id),
)
