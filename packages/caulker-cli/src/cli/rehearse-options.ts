/** What `caulker rehearse` can be given besides where to look. */
export interface RehearseOptions {
  format: 'text' | 'json' | 'junit'
  output?: string
  only?: string[]
  edits?: number
  failures?: number
  pending?: number
  moves?: number
  states?: number
  script?: string[]
  play?: string
  saveScripts?: string
  cover?: string
  live?: boolean
  walks?: number
  seed?: number
  browser?: boolean
  patience?: number
  explain?: string
}
