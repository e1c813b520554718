/** The parts of the statistics library that are used; it brings no types of its own. */
declare module 'jstat' {
  const jStat: {
    studentt: { inv(p: number, freedom: number): number; cdf(x: number, freedom: number): number }
    centralF: { cdf(x: number, of: number, freedom: number): number }
  }
  export default jStat
}
