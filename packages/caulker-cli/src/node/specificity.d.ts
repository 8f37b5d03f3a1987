/** The package has types of its own, which its list of exports keeps from being found. */
declare module '@bramus/specificity' {
  interface Specific {
    readonly a: number
    readonly b: number
    readonly c: number
  }
  const Specificity: {
    calculate(selector: string): Specific[]
    max(...of: readonly Specific[]): Specific
    compare(one: Specific, other: Specific): number
  }
  export default Specificity
}
