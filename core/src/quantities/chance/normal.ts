/** Inverse of the normal distribution; Acklam's rational approximation, relative error below 1.2e-9. */
export function inverseNormal(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
  ]
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572]
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ]
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416]
  const row = (list: readonly number[], x: number) => list.reduce((sum, value) => sum * x + value, 0)
  const edge = 0.02425
  if (p < edge) {
    const q = Math.sqrt(-2 * Math.log(p))
    return row(c, q) / (row(d, q) * q + 1)
  }
  if (p > 1 - edge) return -inverseNormal(1 - p)
  const q = p - 0.5
  return (row(a, q * q) * q) / (row(b, q * q) * q * q + 1)
}

/** Standard normal distribution; Abramowitz and Stegun 7.1.26, error under 1.5e-7. */
export function normal(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2)
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = (poly * Math.exp((-x * x) / 2)) / 2
  return x >= 0 ? 1 - tail : tail
}
