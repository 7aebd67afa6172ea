export default describedHandler({ about: 'Any other address under /api is nothing.' }, (event) => {
  throw refusal(404, 'unknown', `${event.method} ${event.path.split('?')[0]} is not there.`)
})
