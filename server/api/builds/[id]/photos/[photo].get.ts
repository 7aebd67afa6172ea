export default describedHandler({ about: 'A photo of a build, as it was sent.', gives: 'image/*' }, (event) =>
  sendPhoto(event, requireBuildId(event)),
)
