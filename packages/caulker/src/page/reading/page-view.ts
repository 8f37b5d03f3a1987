import { parse, type DefaultTreeAdapterTypes } from 'parse5'
import type { AnyContract } from '../../contract/index.js'

/** A plain HTML page, as it stands in a file. */
export interface Page {
  readonly kind: 'page'
  readonly html: string
  readonly file?: string
}

export interface Position {
  readonly line: number
  readonly column: number
}

/** An element as the page rules read it. */
export interface ElementView {
  readonly tag: string
  readonly attributes: ReadonlyMap<string, { readonly value: string; readonly at: Position }>
  readonly at: Position
  readonly parents: readonly ElementView[]
  readonly text: string
  /** The contract of its tag, if there is one. */
  readonly contract: AnyContract | undefined
}

export interface PageView {
  readonly elements: readonly ElementView[]
  readonly contracts: readonly AnyContract[]
}

/** Whether something is a page, by its own mark. */
export function isPage(value: unknown): value is Page {
  return (
    typeof value === 'object' &&
    value !== null &&
    (value as Page).kind === 'page' &&
    typeof (value as Page).html === 'string'
  )
}

/** Parses a page as the HTML Standard says (section 13.2), with the position of each element and attribute. */
export function pageView({ html }: Page, contracts: readonly AnyContract[]): PageView {
  const elements: ElementView[] = []
  const byTag = new Map(contracts.map((contract) => [contract.tag, contract]))
  const visit = (node: DefaultTreeAdapterTypes.Node, parents: readonly ElementView[]): void => {
    const view = 'tagName' in node ? elementView(node, parents, byTag.get(node.tagName)) : undefined
    // What the parser adds by itself stands nowhere in the file.
    if (view !== undefined && 'sourceCodeLocation' in node && node.sourceCodeLocation != null) elements.push(view)
    const inside = view === undefined ? parents : [...parents, view]
    if ('content' in node) visit(node.content, inside)
    if ('childNodes' in node) for (const child of node.childNodes) visit(child, inside)
  }
  visit(parse(html, { sourceCodeLocationInfo: true }), [])
  return { elements, contracts }
}

function elementView(
  element: DefaultTreeAdapterTypes.Element,
  parents: readonly ElementView[],
  contract: AnyContract | undefined,
): ElementView {
  const location = element.sourceCodeLocation
  const at = { line: location?.startLine ?? 1, column: location?.startCol ?? 1 }
  const attributes = element.attrs.map(({ name, value }) => {
    const its = location?.attrs?.[name]
    return [name, { value, at: its === undefined ? at : { line: its.startLine, column: its.startCol } }] as const
  })
  return {
    tag: element.tagName,
    attributes: new Map(attributes),
    at,
    parents,
    text: textOf(element).replace(/\s+/g, ' ').trim(),
    contract,
  }
}

function textOf(node: DefaultTreeAdapterTypes.ChildNode): string {
  if ('value' in node && node.nodeName === '#text') return node.value
  return 'childNodes' in node ? node.childNodes.map(textOf).join('') : ''
}
