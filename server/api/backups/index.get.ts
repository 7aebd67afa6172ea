export default describedHandler({ about: 'How the shop’s backups stand.' }, () => requireBackups().state())
