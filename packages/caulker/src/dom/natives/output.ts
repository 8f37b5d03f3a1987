import { contract } from '../../contract/index.js'
import { native, plain } from './native.js'

/** Any element that only shows a text, such as `<output>`. */
export const nativeOutput = /* @__PURE__ */ native(
  /* @__PURE__ */ contract('native-output', {
    summary: 'An element that shows a text',
    properties: { text: { type: plain<string>({ type: 'string' }), default: '' } },
  }),
  {
    expects: 'an element that shows text (such as <output>)',
    fits: (element) => !['input', 'textarea', 'select', 'button'].includes(element.localName),
    create: (document) => document.createElement('output'),
    write: (element: Element, _name, value) => {
      element.textContent = typeof value === 'string' ? value : ''
    },
    read: (element: Element) => element.textContent,
    events: {},
  },
)
