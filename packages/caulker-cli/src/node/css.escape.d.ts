/** The package has no types of its own. */
declare module 'css.escape' {
  /** Makes a text a name in a selector. */
  export default function escape(text: string): string
}
