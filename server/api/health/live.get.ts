export default describedHandler(
  {
    about:
      'Whether this process answers at all: where it does not, whoever keeps it running starts it anew. Asks nothing of the records.',
  },
  () => ({ live: true }),
)
