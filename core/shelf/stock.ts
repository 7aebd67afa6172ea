/** What can be done with an item for a build. */
export type Move = 'reserve' | 'release' | 'take' | 'put-back'

export interface Stock {
  /** Lying on the shelf, and of them set aside for any build. */
  count: number
  reserved: number
}

/** What one build has of an item. */
export interface BuildStock {
  /** Set aside for this build, and in it. */
  reserved: number
  taken: number
}

/** Of an item, what nobody has set aside. */
export function free({ count, reserved }: Stock): number {
  return count - reserved
}

/**
 * An item's stock and a build's share of it after a move. What lies there and what is in engines together never change by it.
 *
 * @throws RangeError in words when there is not so much to move
 */
export function moved(stock: Stock, held: BuildStock, move: Move, count: number): { stock: Stock; held: BuildStock } {
  if (!(Number.isInteger(count) && count > 0)) throw new RangeError('count: must be a whole number above zero')
  const next = { stock: { ...stock }, held: { ...held } }
  if (move === 'reserve') {
    if (count > free(stock)) throw new RangeError(`count: ${free(stock)} are free, ${count} are wanted`)
    next.stock.reserved += count
    next.held.reserved += count
  } else if (move === 'release') {
    if (count > held.reserved) throw new RangeError(`count: ${held.reserved} are set aside for this build`)
    next.stock.reserved -= count
    next.held.reserved -= count
  } else if (move === 'take') {
    // What was set aside for this build goes first.
    const own = Math.min(held.reserved, count)
    if (count - own > free(stock))
      throw new RangeError(`count: ${free(stock) + held.reserved} can be taken, ${count} are wanted`)
    next.stock.count -= count
    next.stock.reserved -= own
    next.held.reserved -= own
    next.held.taken += count
  } else {
    if (count > held.taken) throw new RangeError(`count: ${held.taken} were taken for this build`)
    next.stock.count += count
    next.held.taken -= count
  }
  return next
}
