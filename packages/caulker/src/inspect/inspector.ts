import { equal, printed } from '../contract/index.js'
import type { MountedLive, Side } from '../dom/index.js'

/** A look at what a mounted screen or journey holds, drawn anew whenever that changes. */
export interface Inspector {
  /** Draws it again, also where nothing changed that the screen knows of. */
  draw(): void
  stop(): void
}

/**
 * Shows owner and component side by side, with open drafts, calls that are out and what is wrong: a table for the eye while one clicks
 * through a page. Where the two differ, the row says so.
 *
 * It is plain HTML with classes (`caulker-inspector`, `differs`), to be styled by the page.
 *
 * @param into what it is drawn in; whatever is there is replaced
 * @example
 * ```ts
 * import { screen, twoWay, Type } from 'caulker'
 * import { mountScreen, nativeText } from 'caulker/dom'
 * import { inspector } from 'caulker/inspector'
 * document.body.innerHTML = '<label>Vessel <input data-fitting="vessel"></label><aside></aside>'
 * const slip = screen('slipway', {
 *   cells: { vessel: { type: Type.String(), initial: 'Bittern' } },
 *   fittings: { vessel: nativeText },
 *   bind: ({ cells }) => ({ vessel: { value: twoWay(cells.vessel) } }),
 * })
 * const mounted = mountScreen(slip, document.body)
 * const aside = document.querySelector('aside') as HTMLElement
 * inspector(mounted, aside)
 * mounted.set('vessel', 'Heron')
 * console.assert(aside.querySelector('tbody')?.textContent?.includes('Heron') === true)
 * ```
 */
export function inspector(mounted: MountedLive & { front?(): string }, into: Element): Inspector {
  const { ownerDocument: page } = into
  const make = (tag: string, text: string, ...children: Node[]) => {
    const element = page.createElement(tag)
    element.append(text, ...children)
    return element
  }
  const list = (title: string, lines: readonly string[], none: string) => [
    make('h3', title),
    lines.length === 0 ? make('p', none) : make('ul', '', ...lines.map((line) => make('li', line))),
  ]

  function row({ fitting, row: key, name, owner, component, isShared }: Side): Node {
    const differs = !equal(owner, component)
    const place = make('th', `${fitting}${key === undefined ? '' : ` ${key}`}.${name}`)
    place.setAttribute('scope', 'row')
    const line = make(
      'tr',
      '',
      place,
      make('td', printed(owner, 40)),
      make('td', `${printed(component, 40)}${differs ? ' (differs)' : ''}`),
    )
    if (differs) line.className = isShared ? 'differs' : 'differs one-way'
    return line
  }

  function draw(): void {
    const front = mounted.front?.()
    const head = make('thead', '', make('tr', '', ...['Bound name', 'Owner', 'Component'].map(column)))
    // What is given once and for all is only told of where the component says something else.
    const sides = mounted.sides().filter(({ isConstant, owner, component }) => !isConstant || !equal(owner, component))
    const table = make('table', '', head, make('tbody', '', ...sides.map(row)))
    const own = mounted.problem()
    into.replaceChildren(
      ...(front === undefined ? [] : [make('p', `Screen in front: ${front}`)]),
      table,
      ...list(
        'Open drafts',
        mounted
          .drafts()
          .map(
            ({ name, draft }) =>
              `${name}: ${printed(draft.copy, 40)}${draft.isOvertaken ? ', overtaken' : ''}${draft.sent === undefined ? '' : ', being saved'}`,
          ),
        'None',
      ),
      ...list(
        'Calls that are out',
        mounted
          .pending()
          .map(({ operation, given }) => `${operation} ${given === undefined ? '' : printed(given, 60)}`),
        'None',
      ),
      ...(own === '' ? [] : list('Wrong with the screen', [own], '')),
    )
  }

  function column(title: string): Node {
    const cell = make('th', title)
    cell.setAttribute('scope', 'col')
    return cell
  }

  into.classList.add('caulker-inspector')
  const stop = mounted.whenSettled(draw)
  draw()
  return { draw, stop }
}
