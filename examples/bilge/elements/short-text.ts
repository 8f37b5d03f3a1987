import { YardText } from '../../haul-out/elements/yard-text.js'

/** Sound: a yard text with a limit on its field. */
class ShortText extends YardText {
  constructor() {
    super()
    this.shadowRoot?.querySelector('input')?.setAttribute('maxlength', '12')
  }
}

customElements.define('short-text', ShortText)
