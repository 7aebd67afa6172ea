export default describedHandler(
  { about: 'Keeps a photo of something on the shelf.', takes: ['image/jpeg', 'image/png', 'image/webp'] },
  (event) => keepPhoto(event),
)
