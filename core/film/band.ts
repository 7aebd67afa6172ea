/**
 * Solves a symmetric positive definite system of half bandwidth `width`, by L D Lᵀ without pivoting, in place: the answer
 * is left in `right`.
 *
 * `matrix` holds row i as width + 1 numbers, columns i − width to i; what lies outside the matrix is not read.
 * Source: Golub & Van Loan, Matrix Computations, 4th ed., 4.1.2 and 4.3.5.
 */
export function solveBand(matrix: Float64Array, right: Float64Array, size: number, width: number): void {
  const row = width + 1
  for (let i = 0; i < size; i++) {
    const first = i > width ? i - width : 0
    const own = i * row + width - i
    let value = right[i]
    let diagonal = matrix[own + i]
    // u = L D row by row, then L and D from it.
    for (let k = first; k < i; k++) {
      const other = k * row + width - k
      let u = matrix[own + k]
      for (let j = first; j < k; j++) u -= matrix[own + j] * matrix[other + j]
      matrix[own + k] = u
    }
    for (let k = first; k < i; k++) {
      const u = matrix[own + k]
      if (u === 0) continue
      const l = u / matrix[k * row + width]
      matrix[own + k] = l
      diagonal -= u * l
      value -= l * right[k]
    }
    matrix[own + i] = diagonal
    right[i] = value
  }
  for (let i = 0; i < size; i++) right[i] /= matrix[i * row + width]
  for (let i = size - 1; i >= 0; i--) {
    const first = i > width ? i - width : 0
    const own = i * row + width - i
    const value = right[i]
    for (let k = first; k < i; k++) right[k] -= matrix[own + k] * value
  }
}
