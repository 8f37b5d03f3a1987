/** What `caulker adopt` can be given besides where to look. */
export interface AdoptOptions {
  format: 'text' | 'json'
  output?: string
  component?: string[]
  browser?: boolean
}
