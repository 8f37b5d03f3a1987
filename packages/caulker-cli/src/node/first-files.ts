/** What a project that has nothing yet begins with: one component, its contract, a screen that uses it, and the page of that screen. */
export const FIRST_FILES: Readonly<Record<string, string>> = {
  'elements/vessel-field.js': `/** A text field. Properties are followed, edits are reported, a reset goes through the same door. */
class VesselField extends HTMLElement {
  #label = document.createElement('span')
  #field = document.createElement('input')

  constructor() {
    super()
    const wrap = document.createElement('label')
    wrap.append(this.#label, this.#field)
    this.attachShadow({ mode: 'open', delegatesFocus: true }).append(wrap)
    this.#field.addEventListener('input', () => this.#report())
  }

  connectedCallback() {
    // Properties that were set before the element was defined lie in front of its accessors.
    for (const name of ['label', 'text']) {
      if (!Object.hasOwn(this, name)) continue
      const early = this[name]
      delete this[name]
      this[name] = early
    }
  }

  get label() {
    return this.#label.textContent
  }
  set label(label) {
    this.#label.textContent = label ?? ''
  }

  get text() {
    return this.#field.value
  }
  set text(text) {
    if (this.#field.value !== (text ?? '')) this.#field.value = text ?? ''
  }

  reset() {
    if (this.text === '') return
    this.text = ''
    this.#report()
  }

  focus() {
    this.#field.focus()
  }

  #report() {
    this.dispatchEvent(new CustomEvent('text-set', { detail: { value: this.text } }))
  }
}

customElements.define('vessel-field', VesselField)
`,
  'contracts/vessel-field.contract.js': `import { contract, Type } from 'caulker'

/** What an owner of the field can rely on. \`npx caulker probe\` tries every promise on the live component. */
export const vesselField = contract('vessel-field', {
  summary: 'The name of a vessel',
  required: ['label'],
  properties: { label: { type: Type.String(), summary: 'What the person is asked for' } },
  values: { text: { type: Type.String(), default: '', reports: 'edit' } },
  commands: { reset: { effect: 'reset' }, focus: { effect: 'focus' } },
})
`,
  'screens/slipway.screen.js': `import { clear, oneWay, reckon, screen, twoWay, Type } from 'caulker'
import { nativeButton, nativeOutput } from 'caulker/dom'
import { vesselField } from '../contracts/vessel-field.contract.js'

/** One screen: what it holds, what stands on it, and how they are wired. \`npx caulker check\` reads it at rest. */
export const slipway = screen('slipway', {
  cells: { vessel: { type: Type.String(), initial: '' } },
  fittings: { vessel: vesselField, sign: nativeOutput, wipe: nativeButton },
  reckoned: ({ cells }) => ({ sign: reckon([cells.vessel], (name) => (name === '' ? 'The slip is free' : \`\${name} is on the slip\`)) }),
  actions: ({ cells }) => ({ wipe: [clear(cells.vessel)] }),
  bind: ({ cells, reckoned, actions }) => ({
    vessel: { label: 'Vessel', text: twoWay(cells.vessel) },
    sign: { text: oneWay(reckoned.sign) },
    wipe: { text: 'Off the slip', on: { press: actions.wipe } },
  }),
})
`,
  'index.html': `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8" />
    <title>Slipway</title>
  </head>
  <body>
    <main>
      <h1>Slipway</h1>
      <vessel-field data-fitting="vessel"></vessel-field>
      <p><output data-fitting="sign"></output></p>
      <button type="button" data-fitting="wipe"></button>
    </main>
    <script type="module" src="./main.js"></script>
  </body>
</html>
`,
  'main.js': `import { mountScreen } from 'caulker/dom'
import './elements/vessel-field.js'
import { slipway } from './screens/slipway.screen.js'

mountScreen(slipway, document.body)
`,
}
