/** Nothing of it can be seen yet, so a probe proves nothing. */
customElements.define(
  'wormy-plank',
  class extends HTMLElement {
    drill(): void {}
    setSeams(): void {}
  },
)
