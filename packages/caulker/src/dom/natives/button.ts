import { contract } from '../../contract/index.js'
import { flag, native, plain } from './native.js'

/** The native button, `<button>`; it sends `press` when it is clicked or operated by keyboard. */
export const nativeButton = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-button', {
    summary: 'A native button',
    required: ['text'],
    properties: { text: { type: plain<string>({ type: 'string' }) }, disabled: flag },
    events: { press: { payload: plain<unknown>({}) } },
    commands: { focus: { effect: 'focus' } },
    locks: { disabled: 'disabled' },
  }),
  {
    expects: 'a button (<button>)',
    fits: (element) => element.localName === 'button',
    create: (document) => Object.assign(document.createElement('button'), { type: 'button' }),
    write: (element: HTMLButtonElement, name, value) => {
      if (name === 'text') element.textContent = typeof value === 'string' ? value : ''
      else element.disabled = value === true
    },
    read: (element: HTMLButtonElement, name) => (name === 'text' ? element.textContent : element[name as 'disabled']),
    events: { press: 'click' },
  },
)
