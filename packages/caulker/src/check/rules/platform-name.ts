import { givenClauses, isValue } from '../../contract/index.js'
import { contractRule, leak } from './rule.js'

/** A name that hides a member of every element. */
export const platformName = contractRule({
  id: 'platform-name',
  level: 'warning',
  title: 'A name hides one of the platform',
  why: 'Every element has this member already: a tooltip appears, the element disappears, or a tool that relies on the platform meaning breaks.',
  mend: 'Choose a name that no element has.',
  leaking: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { title: { type: Type.String(), default: '' } } })`,
  mended: `
import { contract, Type } from 'caulker'
export const winch = contract('chain-winch', { summary: 'A winch', properties: { heading: { type: Type.String(), default: '' } } })`,
  *find(contract) {
    for (const clause of givenClauses(contract))
      if (MEMBERS.has(clause.name))
        yield leak(
          [isValue(clause) ? 'values' : 'properties', clause.name],
          `'${clause.name}' hides a member that every element has`,
        )
  },
})

/** Members of HTMLElement, Element and Node that a property could hide (HTML Standard, section 3.2.2; DOM Standard, sections 4.4 and 4.9). */
const MEMBERS = new Set(
  `accessKey accessKeyLabel autocapitalize autofocus attributes assignedSlot attachInternals attachShadow baseURI before after append blur
  childElementCount childNodes children classList className click clientHeight clientLeft clientTop clientWidth cloneNode closest contains
  contentEditable dataset dir dispatchEvent draggable enterKeyHint firstChild firstElementChild focus getAttribute hidden hidePopover id inert
  innerHTML innerText inputMode insertBefore isConnected isContentEditable lang lastChild lastElementChild localName matches namespaceURI
  nextElementSibling nextSibling nodeName nodeType nodeValue nonce normalize offsetHeight offsetLeft offsetParent offsetTop offsetWidth
  outerHTML outerText ownerDocument parentElement parentNode part popover prefix prepend previousElementSibling previousSibling
  querySelector remove removeAttribute replaceChildren replaceWith role scroll scrollTop scrollLeft setAttribute shadowRoot slot spellcheck
  style tabIndex tagName textContent title toggleAttribute togglePopover translate`.split(/\s+/),
)
