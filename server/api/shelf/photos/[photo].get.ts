export default describedHandler(
  { about: 'A photo of something on the shelf, as it was sent.', gives: 'image/*' },
  (event) => sendPhoto(event),
)
