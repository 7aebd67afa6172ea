/** How the shop's backups stand. */
export default defineEventHandler(() => requireBackups().state())
