import { attributeText, givenClauses, type AnyContract } from '../../contract/index.js'
import type { Trail } from './trail.js'
import type { Given } from '../../mount/index.js'

/** Where and how a component is mounted, where a trail says more than "in a place of its own". */

export const FORM_NAME = 'probed'

/** A place of its own; in a form, the fieldset around the component. */
export function placeFor({ setting }: Trail, container: HTMLElement): HTMLElement {
  const { ownerDocument: document } = container
  if (setting !== 'form' && setting !== 'twin') return container
  if (setting === 'twin') return container.appendChild(document.createElement('div'))
  const form = container.appendChild(document.createElement('form'))
  return form.appendChild(document.createElement('fieldset'))
}

/** An element that no registry knows yet: it is made in a document without a window, and is upgraded when it is put in place. */
export function undefinedElement(document: Document, tag: string): HTMLElement {
  return document.implementation.createHTMLDocument('').createElement(tag)
}

/** The names that markup can say, each with its attribute; the others are set as properties. */
export function attributesFor(contract: AnyContract, given: Given): Record<string, readonly [string, string]> {
  return Object.fromEntries(
    givenClauses(contract).flatMap((clause) => {
      const text = attributeText(clause, given[clause.name])
      return clause.attribute === false || text === undefined || text === null
        ? []
        : [[clause.name, [clause.attribute, text]]]
    }),
  )
}

/** The same contract with its properties in the other order; bounds still come before the values that they bound. */
export function reversed(contract: AnyContract): AnyContract {
  return { ...contract, properties: Object.fromEntries(Object.entries(contract.properties).reverse()) }
}
