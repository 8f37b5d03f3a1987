import { contract } from '../../contract/index.js'
import { chooseFiles } from './file-field.js'
import { fieldOf, flag, native, plain } from './native.js'

/** The native file field, `<input type="file">`; it holds a list of files. */
export const nativeFile = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-file', {
    summary: 'A native file field',
    properties: { multiple: flag, disabled: flag },
    values: {
      files: {
        type: plain<File[]>({ type: 'array', items: { hostObject: 'File' }, maxItems: 1 }),
        default: [],
        event: 'change',
        payloadAt: '/target/files',
      },
    },
    commands: { focus: { effect: 'focus' } },
    locks: { disabled: 'disabled' },
  }),
  /* @__PURE__ */ fieldOf('file', {
    write(field, name, value) {
      if (name === 'multiple') field.multiple = value === true
      else if (Array.isArray(value) && value.length > 0) chooseFiles(field, value as File[])
      else field.value = ''
    },
    read: (field, name) => (name === 'multiple' ? field.multiple : [...(field.files ?? [])]),
  }),
)
