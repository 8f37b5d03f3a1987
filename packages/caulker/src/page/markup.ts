import { CaulkerError, hint, labelOf } from '../words/index.js'
import {
  defaultTreeAdapter as tree,
  html,
  parseFragment,
  serialize,
  type DefaultTreeAdapterTypes as Nodes,
} from 'parse5'
import {
  asContract,
  accepts,
  clauseOf,
  equal,
  givenClauses,
  isHost,
  printed,
  typeText,
  type AnyContract,
  type PropertyClause,
} from '../contract/index.js'

/** The elements behind the contracts of native controls, with what tells them from others of the same name. */
const NATIVES: Readonly<Record<string, readonly [tag: string, attributes: Readonly<Record<string, string>>]>> = {
  'native-text': ['input', { type: 'text' }],
  'native-number': ['input', { type: 'number' }],
  'native-range': ['input', { type: 'range' }],
  'native-date': ['input', { type: 'date' }],
  'native-colour': ['input', { type: 'color' }],
  'native-checkbox': ['input', { type: 'checkbox' }],
  'native-button': ['button', { type: 'button' }],
  'native-output': ['output', {}],
}

export interface MarkupOptions {
  /** The fitting that the element stands for on its screen. */
  readonly fitting?: string
  /** What labels it where the contract has no label of its own; made from the name of its value where it is left out. */
  readonly label?: string
}

/**
 * The element of a contract as escaped HTML text, from the contract alone: its label, its attributes, the content that it needs, and
 * what no attribute can say as JSON in `data-given`, which `takeGiven` of `caulker/dom` hands to the live element.
 *
 * Throws a {@link CaulkerError} `missing-required` for a required name that is not given, and `bad-argument` for a name or a value that
 * the contract does not know.
 *
 * @example
 * ```ts
 * import { contract, Type } from 'caulker'
 * import { markup } from 'caulker/page'
 * const winch = contract('chain-winch', { required: ['label'], properties: { label: { type: Type.String() } } })
 * console.assert(markup(winch, { label: 'Bow & stern' }) === '<chain-winch label="Bow &amp; stern"></chain-winch>')
 * ```
 */
export function markup(
  contract: AnyContract,
  given: Readonly<Record<string, unknown>> = {},
  options: MarkupOptions = {},
): string {
  asContract('markup', contract)
  refuseWrong(contract, given)
  const [tag, fixed] = NATIVES[contract.tag] ?? [contract.tag, {}]
  const attributes: [string, string][] = Object.entries(fixed)
  const configuration: Record<string, unknown> = {}
  let text: string | undefined
  for (const clause of givenClauses(contract)) {
    const value = Object.hasOwn(given, clause.name) ? given[clause.name] : undefined
    if (value === undefined) continue
    const written = attributeText(clause, value)
    if (clause.name === 'text' && contract.tag in NATIVES) text = String(value)
    else if (written === 'nothing') continue
    else if (written === undefined) configuration[clause.name] = value
    else attributes.push(written)
  }
  if (options.fitting !== undefined) attributes.push(['data-fitting', options.fitting])
  if (Object.keys(configuration).length > 0) attributes.push(['data-given', JSON.stringify(configuration)])
  const element = created(tag, attributes)
  if (text !== undefined) tree.insertText(element, text)
  const { inside = '', beside = '' } = contract.content ?? {}
  for (const node of parseFragment(inside).childNodes) tree.appendChild(element, node)
  return beside + serialized(labelled(contract, element, options))
}

function refuseWrong(contract: AnyContract, given: Readonly<Record<string, unknown>>): void {
  const names = givenClauses(contract).map(({ name }) => name)
  for (const name of contract.required as readonly string[])
    if (given[name] === undefined)
      throw new CaulkerError(
        'missing-required',
        `markup of '${contract.tag}': '${name}' is required, and is not given; give it, such as { ${name}: '${labelOf(name)}' }`,
      )
  for (const [name, value] of Object.entries(given)) {
    const clause = clauseOf(contract, name)
    if (clause === undefined)
      throw new CaulkerError('bad-argument', `markup of '${contract.tag}': there is no '${name}'${hint(name, names)}`)
    if (isHost(value))
      throw new CaulkerError(
        'bad-argument',
        `markup of '${contract.tag}': '${name}' is ${printed(value)}, which no text can hold`,
      )
    if (value !== undefined && !accepts(clause.type, value))
      throw new CaulkerError(
        'bad-argument',
        `markup of '${contract.tag}': '${name}' is ${printed(value)}, and its type is ${typeText(clause.type)}`,
      )
  }
}

/** The attribute that says a value; `nothing` where leaving it out says it, undefined where no attribute can. */
function attributeText(clause: PropertyClause, value: unknown): [string, string] | 'nothing' | undefined {
  const { attribute, name } = clause
  // A missing attribute means that nothing was given: the default applies, or what a native control starts with.
  if (value === false || value === null) return equal(value, clause.default) ? 'nothing' : undefined
  if (attribute === false || typeof value === 'object') return undefined
  const written = name === 'readOnly' ? 'readonly' : attribute
  return [written, value === true ? '' : String(value)]
}

/** A form control that has no label of its own stands inside one. */
function labelled(contract: AnyContract, element: Nodes.Element, { label }: MarkupOptions): Nodes.Element {
  const value = contract.form?.value ?? (contract.tag in NATIVES ? Object.keys(contract.values)[0] : undefined)
  if (clauseOf(contract, 'label') !== undefined || value === undefined) return element
  const around = created('label', [])
  tree.insertText(around, `${label ?? clauseOf(contract, value)?.label ?? labelOf(value)} `)
  tree.appendChild(around, element)
  return around
}

function created(tag: string, attributes: readonly (readonly [string, string])[]): Nodes.Element {
  return tree.createElement(
    tag,
    html.NS.HTML,
    attributes.map(([name, value]) => ({ name, value })),
  )
}

function serialized(element: Nodes.Element): string {
  const fragment = tree.createDocumentFragment()
  tree.appendChild(fragment, element)
  return serialize(fragment)
}
