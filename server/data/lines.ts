/** Work that is done one after the other for each thing, in the order in which it was asked for; for different things at once. */
export interface Lines {
  /** Whether something is being done for it, or waits. */
  busy: (id: string) => boolean
  /** Does it when those before it are done, whatever became of them. */
  next: <T>(id: string, work: () => Promise<T>) => Promise<T>
}

export function makeLines(): Lines {
  const last = new Map<string, Promise<unknown>>()
  return {
    busy: (id) => last.has(id),
    next: (id, work) => {
      const turn = (last.get(id) ?? Promise.resolve()).then(work, work)
      last.set(id, turn)
      const leave = () => void (last.get(id) === turn && last.delete(id))
      turn.then(leave, leave)
      return turn
    },
  }
}
