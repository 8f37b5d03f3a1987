import { isEmpty } from '../../contract/index.js'
import type { Readable } from '../../wiring/index.js'
import { combinations, heldWhile, neverIs, onlyCompares } from '../reading/recomputed.js'
import { firstHeld, followsState, isUnset, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A way on or a submit that waits for what nothing on the screen brings about. */
export const neverOpen = screenRule({
  id: 'never-open',
  level: 'warning',
  title: 'A way on waits for what nothing brings about',
  why: 'The person does all that the screen asks for, and the button still says that something is missing: nothing here can give it.',
  mend: 'Give it a field, a load or a step that sets it, or drop the condition; if the page sets it, waive the rule with the reason.',
  leaking: `
import { contract, go, journey, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), default: '' } }, events: { send: {} } })
const cells = { name: { type: Type.String(), initial: '' }, isReady: { type: Type.Boolean(), initial: false } }
export const first = screen('first', { cells, fittings: { name }, bind: ({ cells }) => ({ name: { name: twoWay(cells.name), on: { send: [go('last', { when: cells.isReady, otherwise: 'Not yet' })] } } }) })
export const last = screen('last', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  mended: `
import { contract, go, journey, reckon, screen, twoWay, Type } from 'caulker'
const name = contract('vessel-name', { summary: 'A name', values: { name: { type: Type.String(), default: '' } }, events: { send: {} } })
export const first = screen('first', {
  cells: { name: { type: Type.String(), initial: '' } },
  fittings: { name },
  reckoned: ({ cells }) => ({ isReady: reckon([cells.name], (name) => name !== '') }),
  actions: ({ reckoned }) => ({ on: [go('last', { when: reckoned.isReady, otherwise: 'Not yet' })] }),
  bind: ({ cells, actions }) => ({ name: { name: twoWay(cells.name), on: { send: actions.on } } }),
})
export const last = screen('last', { cells: {}, fittings: {}, bind: () => ({}) })
export const trip = journey('trip', { screens: { first, last }, start: 'first', ends: ['last'] })`,
  *find(view) {
    for (const { at, all } of view.actions)
      for (const step of all) {
        if (step.step !== 'go' || step.when === undefined) continue
        const when = step.when as Readable<unknown>
        if (neverIs(view, when, (value) => typeof value === 'boolean'))
          yield leak(
            at,
            `the way to '${step.to}' is open while '${when.name}' is true, and it is never true nor false`,
            {
              mend: `Let '${when.name}' say whether, and 'otherwise' say why not.`,
              level: 'error',
            },
          )
        else if (isStuck(view, when) && firstHeld(view, when) !== true)
          yield leak(at, `the way to '${step.to}' waits for '${when.name}', and nothing on the screen sets it`)
      }
    const { needs = {}, heldBy = {} } = view.screen.submit ?? {}
    for (const name of Object.keys(needs)) {
      const cell = view.cells.get(name)
      if (cell !== undefined && isEmpty(cell.initial) && isUnset(view, name))
        yield leak(['submit', 'needs'], `the submit needs '${name}', and nothing on the screen sets it`)
    }
    for (const [cell, name] of Object.entries(heldBy)) {
      const source = readable(view, name)
      if (source !== undefined && neverIs(view, source, (value) => typeof value === 'string'))
        yield leak(
          ['submit', 'heldBy'],
          `'${name}' holds the submit back at '${cell}', and is no text: nobody learns what is wrong`,
          {
            mend: `Let '${name}' be the sentence that says what is wrong, and '' where nothing is.`,
            level: 'error',
          },
        )
      else if (source !== undefined && isSaidOnceFilled(view, source, Object.keys(needs)))
        yield leak(
          ['submit', 'heldBy'],
          `'${name}' holds the submit back at '${cell}' whenever all that it needs is filled in`,
          { mend: `Turn '${name}' round: '' where nothing is wrong.`, level: 'error' },
        )
      else if (source !== undefined && isAlwaysSaid(view, source))
        yield leak(
          ['submit', 'heldBy'],
          `'${name}' holds the submit back at '${cell}', and is never an empty text: nothing is ever sent`,
          { mend: `Let '${name}' be '' where nothing is wrong.`, level: 'error' },
        )
    }
  },
})

/** Whether it lets pass what may not be sent, and in every state that was tried holds back what may. */
function isSaidOnceFilled(view: ScreenView, source: Readable<unknown>, needs: readonly string[]): boolean {
  if (followsState(view, source) || firstHeld(view, source) !== '' || !onlyCompares(view, source)) return false
  const behind = [...view.cellsBehind(source)]
  if (needs.length === 0 || !needs.every((cell) => behind.includes(cell))) return false
  const filled = combinations(view, behind).filter((held) => needs.every((cell) => !isEmpty(held.get(cell))))
  const says = filled.map((held) => heldWhile(view, source.name, held)?.value)
  return says.length > 0 && says.every((one) => typeof one === 'string' && one !== '')
}

/** Whether it says something whatever its cells hold, as far as its own lines show it. */
function isAlwaysSaid(view: ScreenView, source: Readable<unknown>): boolean {
  const made = view.firstReckoned().find(({ name }) => name === source.name)
  if (made === undefined || isComputedFurther(view, made.from)) return false
  const code = String(made.compute).replace(COMPARED, '')
  return !MAY_BE_EMPTY.test(code) && neverIs(view, source, (value) => value === '')
}

/** An empty text that is only compared with. */
const COMPARED = /[!=]==?\s*(''|""|``)|(''|""|``)\s*[!=]==?/g
/** An empty text that is written, a look into something, or a call of what stands elsewhere. */
const MAY_BE_EMPTY = /''|""|``|\[|(?<![.\w$])(?!(?:if|for|while|switch|function|catch)\b)[A-Za-z_$][\w$]*\s*\(/

/** What follows another reckoned cell may be empty where that one is. */
function isComputedFurther({ screen }: ScreenView, from: readonly string[]): boolean {
  return from.some((name) => Object.hasOwn(screen.reckoned, name))
}

function readable(view: ScreenView, name: string): Readable<unknown> | undefined {
  return (view.screen.reckoned as Readonly<Record<string, Readable<unknown>>>)[name]
}

/** Whether nothing that it depends on ever changes; a state of the running screen does by itself. */
function isStuck(view: ScreenView, source: Readable<unknown>): boolean {
  const cells = view.cellsBehind(source)
  return cells.size > 0 && !followsState(view, source) && [...cells].every((cell) => isUnset(view, cell))
}
