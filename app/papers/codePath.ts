import QRCode from 'qrcode'

/** An address as a code: its squares as one path of a drawing `size` squares wide, quiet zone included. */
export function codePath(address: string): { path: string; size: number } {
  const { modules } = QRCode.create(address, { errorCorrectionLevel: 'M' })
  const QUIET = 4
  const squares: string[] = []
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) squares.push(`M${column + QUIET} ${row + QUIET}h1v1h-1z`)
  return { path: squares.join(''), size: modules.size + 2 * QUIET }
}
