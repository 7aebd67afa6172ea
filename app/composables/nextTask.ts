/** Done in the browser's next task: what is pressed meanwhile is heard in between. */
export const nextTask = () =>
  new Promise<void>((done) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      port1.close()
      done()
    }
    port2.postMessage(undefined)
  })
