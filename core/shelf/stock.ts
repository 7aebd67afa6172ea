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
export function moved(stock: Stock, share: BuildStock, move: Move, count: number): { stock: Stock; share: BuildStock } {
  if (!(Number.isInteger(count) && count > 0)) throw new RangeError('count: must be a whole number above zero')
  const next = { stock: { ...stock }, share: { ...share } }
  if (move === 'reserve') {
    if (count > free(stock)) throw new RangeError(`count: ${free(stock)} are free, ${count} are wanted`)
    next.stock.reserved += count
    next.share.reserved += count
  } else if (move === 'release') {
    if (count > share.reserved) throw new RangeError(`count: ${share.reserved} are set aside for this build`)
    next.stock.reserved -= count
    next.share.reserved -= count
  } else if (move === 'take') {
    // What was set aside for this build goes first.
    const own = Math.min(share.reserved, count)
    if (count - own > free(stock))
      throw new RangeError(`count: ${free(stock) + share.reserved} can be taken, ${count} are wanted`)
    next.stock.count -= count
    next.stock.reserved -= own
    next.share.reserved -= own
    next.share.taken += count
  } else {
    if (count > share.taken) throw new RangeError(`count: ${share.taken} were taken for this build`)
    next.stock.count += count
    next.share.taken -= count
  }
  return next
}
