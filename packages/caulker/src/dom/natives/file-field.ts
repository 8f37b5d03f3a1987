const shown = new WeakMap<HTMLInputElement, { files: readonly File[] }>()

/**
 * Puts files into a file field as the browser's own dialogue would. Returns false where the same files were there already: then the
 * browser sends no event either.
 */
export function chooseFiles(field: HTMLInputElement, files: readonly File[]): boolean {
  const now = [...(field.files ?? [])]
  if (now.length === files.length && now.every((file, at) => file === files[at] || sameFile(file, files[at])))
    return false
  const view = field.ownerDocument.defaultView as (Window & typeof globalThis) | null
  if (view?.DataTransfer !== undefined) {
    const transfer = new view.DataTransfer()
    for (const file of files) transfer.items.add(file)
    field.files = transfer.files
  } else stand(field, files)
  return true
}

function sameFile(one: File, other: File | undefined): boolean {
  return one.name === other?.name && one.size === other.size && one.lastModified === other.lastModified
}

/** Where there is no DataTransfer the field itself shows the files, until it is emptied the one way in which scripts can empty it. */
function stand(field: HTMLInputElement, files: readonly File[]): void {
  const state = shown.get(field)
  if (state !== undefined) {
    state.files = files
    return
  }
  const held = { files }
  shown.set(field, held)
  Object.defineProperty(field, 'files', { configurable: true, get: () => listOf(held.files) })
  Object.defineProperty(field, 'value', {
    configurable: true,
    get: () => (held.files[0] === undefined ? '' : `C:\\fakepath\\${held.files[0].name}`),
    set: (value: unknown) => {
      if (value === '' || value === null) held.files = []
    },
  })
  field.form?.addEventListener('reset', () => (held.files = []))
}

function listOf(files: readonly File[]): FileList {
  return Object.assign([...files], { item: (at: number) => files[at] ?? null }) as never
}
