export default describedHandler(
  { about: 'Makes a backup now, and answers once it is whole on the disk and was read back.' },
  async () => {
    try {
      return await requireBackups().now()
    } catch (error) {
      throw refusal(507, 'no-backup', `The backup came to nothing: ${(error as Error).message}`)
    }
  },
)
