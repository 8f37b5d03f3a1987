/** What `caulker probe` can be given besides where to look. */
export interface ProbeOptions {
  format: 'text' | 'json' | 'junit'
  part?: number
  of?: number
  atOnce?: number
  endpoint?: string
  output?: string
  seed: number
  moves?: number
  component?: string[]
  clause?: string[]
  continue?: string[]
  browser?: boolean
  trusted?: boolean
  requireProof?: boolean
  watch?: boolean
  patience?: number
  explain?: string
}
