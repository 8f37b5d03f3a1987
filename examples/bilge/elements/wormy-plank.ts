/** Nothing of it can be seen yet, though it has values to show. */
customElements.define(
  'wormy-plank',
  class extends HTMLElement {
    drill(): void {}
    setSeams(): void {}
  },
)
