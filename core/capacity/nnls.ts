/** A matrix row by row, every row as long as the first. */
export type Rows = readonly (readonly number[])[]

const TOLERANCE = 1e-10

/**
 * Non-negative least squares: the x >= 0 with the smallest |A x - b|. Active set method of Lawson and Hanson, Solving
 * Least Squares Problems (1974), ch. 23. A has as many columns as x has numbers; columns may depend on each other.
 * O(n^3) a step, for the few dozen unknowns of a room.
 * @example nnls([[1, 0], [0, 1]], [2, -1]) //=> [2, 0]
 */
export function nnls(a: Rows, b: readonly number[]): readonly number[] {
  const n = a[0]?.length ?? 0
  const ata = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => a.reduce((sum, row) => sum + (row[i] ?? 0) * (row[j] ?? 0), 0)),
  )
  const atb = Array.from({ length: n }, (_, i) => a.reduce((sum, row, at) => sum + (row[i] ?? 0) * (b[at] ?? 0), 0))
  const scale = Math.max(1, ...atb.map(Math.abs))
  const x = new Array<number>(n).fill(0)
  const free = new Set<number>()
  for (let round = 0; round < 3 * n + 10; round += 1) {
    const gradient = atb.map((value, i) => value - (ata[i] ?? []).reduce((sum, each, j) => sum + each * (x[j] ?? 0), 0))
    const enters = gradient.reduce(
      (best, value, i) => (!free.has(i) && value > Math.max(TOLERANCE * scale, best < 0 ? 0 : (gradient[best] ?? 0)) ? i : best),
      -1,
    )
    if (enters < 0) return x
    free.add(enters)
    for (;;) {
      const which = [...free]
      const solved = solveSymmetric(
        which.map(i => which.map(j => ata[i]?.[j] ?? 0)),
        which.map(i => atb[i] ?? 0),
      )
      // A column that depends on the active ones adds nothing.
      if (!solved) {
        free.delete(enters)
        return x
      }
      if (solved.every(value => value > TOLERANCE)) {
        x.fill(0)
        which.forEach((i, at) => {
          x[i] = solved[at] ?? 0
        })
        break
      }
      // Steps from x towards the solution until a number would become negative.
      const step = Math.min(
        ...which.map((i, at) => ((solved[at] ?? 0) <= TOLERANCE ? (x[i] ?? 0) / ((x[i] ?? 0) - (solved[at] ?? 0) || 1) : 1)),
      )
      which.forEach((i, at) => {
        x[i] = (x[i] ?? 0) + step * ((solved[at] ?? 0) - (x[i] ?? 0))
      })
      for (const i of which) {
        if ((x[i] ?? 0) > TOLERANCE) continue
        x[i] = 0
        free.delete(i)
      }
      if (free.size === 0) break
    }
  }
  return x
}

/** Cholesky solution for a symmetric positive definite matrix; null: it is not definite. O(n^3). */
function solveSymmetric(matrix: Rows, right: readonly number[]): readonly number[] | null {
  const lower = cholesky(matrix)
  return lower && backSolve(lower, right)
}

/** The inverse of a symmetric positive definite matrix; null: it is not definite. O(n^3). */
export function inverseSymmetric(matrix: Rows): Rows | null {
  const lower = cholesky(matrix)
  return (
    lower &&
    matrix.map((_, column) =>
      backSolve(
        lower,
        matrix.map((_, at) => Number(at === column)),
      ),
    )
  )
}

function cholesky(matrix: Rows): number[][] | null {
  const n = matrix.length
  const lower = Array.from({ length: n }, () => new Array<number>(n).fill(0))
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]?.[j] ?? 0
      for (let k = 0; k < j; k += 1) sum -= (lower[i]?.[k] ?? 0) * (lower[j]?.[k] ?? 0)
      const row = lower[i] as number[]
      if (i !== j) row[j] = sum / (lower[j]?.[j] ?? 1)
      else if (sum <= 1e-12 * Math.max(1, matrix[i]?.[i] ?? 0)) return null
      else row[i] = Math.sqrt(sum)
    }
  }
  return lower
}

function backSolve(lower: Rows, right: readonly number[]): number[] {
  const n = lower.length
  const y = new Array<number>(n).fill(0)
  for (let i = 0; i < n; i += 1) {
    let sum = right[i] ?? 0
    for (let k = 0; k < i; k += 1) sum -= (lower[i]?.[k] ?? 0) * (y[k] ?? 0)
    y[i] = sum / (lower[i]?.[i] ?? 1)
  }
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = y[i] ?? 0
    for (let k = i + 1; k < n; k += 1) sum -= (lower[k]?.[i] ?? 0) * (y[k] ?? 0)
    y[i] = sum / (lower[i]?.[i] ?? 1)
  }
  return y
}
