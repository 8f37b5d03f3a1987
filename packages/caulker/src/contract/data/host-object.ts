/** The one extension keyword: it names a host object (a File, a Date) that JSON cannot hold. */
export const HOST_KEYWORD = 'hostObject'

/** By its class string, so that an object of another window counts too. */
export function isHostObject(value: unknown, name: string): boolean {
  if (value === null || typeof value !== 'object') return false
  const found = Object.prototype.toString.call(value).slice(8, -1)
  return found === name || (name === 'Blob' && found === 'File')
}
