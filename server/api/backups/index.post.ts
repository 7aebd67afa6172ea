/** ms. */
const PATIENCE = 20_000

export default describedHandler(
  {
    about:
      'Makes a backup now, and answers once it is whole on the disk and was read back; 202 with how the backups stand where that takes longer than 20 s: it goes on.',
  },
  async (event) => {
    const backups = requireBackups()
    try {
      const written = await backups.within(PATIENCE)
      if (written) return written
      setResponseStatus(event, 202)
      return backups.state()
    } catch (error) {
      throw refusal(507, 'no-backup', `The backup came to nothing: ${(error as Error).message}`)
    }
  },
)
