import { equal, isEmpty, valueAt } from '../../contract/index.js'
import type { Readable, Showing } from '../../wiring/index.js'
import { combinations, heldWhile, onlyCompares } from '../reading/recomputed.js'
import { followsState, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A fitting that is there only while it has nothing to say. */
export const shownWhileEmpty = screenRule({
  id: 'shown-while-empty',
  level: 'error',
  title: 'A fitting is shown only while its text is empty',
  why: 'The condition is the wrong way round: what is wrong is reckoned, and the place that would say so goes away as soon as there is something to say.',
  mend: 'Turn the condition round, or show it always.',
  leaking: `
import { contract, oneWay, reckon, screen, shownWhile, twoWay, Type } from 'caulker'
const mark = contract('hull-mark', { values: { text: { type: Type.String() } } })
const words = contract('yard-words', { properties: { text: { type: Type.String(), default: '' } } })
export const hull = screen('hull', {
  cells: { mark: { type: Type.String(), initial: '' } },
  fittings: { mark, words },
  reckoned: ({ cells }) => ({
    wrong: reckon([cells.mark], (mark) => (mark === '' ? 'Give her a mark' : '')),
    isFilled: reckon([cells.mark], (mark) => mark !== ''),
  }),
  shown: ({ reckoned }) => ({ words: shownWhile(reckoned.isFilled) }),
  bind: ({ cells, reckoned }) => ({ mark: { text: twoWay(cells.mark) }, words: { text: oneWay(reckoned.wrong) } }),
})`,
  mended: `
import { contract, oneWay, reckon, screen, shownWhile, twoWay, Type } from 'caulker'
const mark = contract('hull-mark', { values: { text: { type: Type.String() } } })
const words = contract('yard-words', { properties: { text: { type: Type.String(), default: '' } } })
export const hull = screen('hull', {
  cells: { mark: { type: Type.String(), initial: '' } },
  fittings: { mark, words },
  reckoned: ({ cells }) => ({
    wrong: reckon([cells.mark], (mark) => (mark === '' ? 'Give her a mark' : '')),
    isMissing: reckon([cells.mark], (mark) => mark === ''),
  }),
  shown: ({ reckoned }) => ({ words: shownWhile(reckoned.isMissing) }),
  bind: ({ cells, reckoned }) => ({ mark: { text: twoWay(cells.mark) }, words: { text: oneWay(reckoned.wrong) } }),
})`,
  *find(view) {
    for (const fitting of view.fittings) {
      const showing = view.screen.shown[fitting.name]
      if (showing === undefined) continue
      for (const [name, binding] of fitting.bindings)
        if (
          binding.kind === 'one-way' &&
          isText(fitting.contract.properties[name]?.type) &&
          !isReadElsewhere(view, fitting.name, binding.source) &&
          isEmptyWhenShown(view, showing, binding.source)
        )
          yield leak(
            ['shown', fitting.name],
            `'${fitting.name}' is shown while '${showing.source.name}' holds, and its ${name}, '${binding.source.name}', is empty then`,
          )
    }
  },
})

function isText(type: unknown): boolean {
  return valueAt(type, ['type']) === 'string'
}

/** What another fitting shows, too, is read there. */
function isReadElsewhere({ fittings }: ScreenView, fitting: string, source: Readable<unknown>): boolean {
  return fittings.some(
    ({ name, bindings }) =>
      name !== fitting &&
      [...bindings.values()].some((one) => one.kind !== 'constant' && one.source.name === source.name),
  )
}

/** In every state that was tried in which it is shown, there is nothing to read; and in others there would be. */
function isEmptyWhenShown(view: ScreenView, { source, is }: Showing, text: Readable<unknown>): boolean {
  const isTried = (one: Readable<unknown>) =>
    one.kind === 'cell' || (!followsState(view, one) && onlyCompares(view, one))
  if (!isTried(source) || !isTried(text)) return false
  const behind = new Set([...view.cellsBehind(source), ...view.cellsBehind(text)])
  const tried = combinations(view, [...behind]).map((held) => ({
    isShown: equal(heldWhile(view, source.name, held)?.value, is),
    isEmpty: isEmpty(heldWhile(view, text.name, held)?.value),
  }))
  const shown = tried.filter(({ isShown }) => isShown)
  return shown.length > 0 && shown.every(({ isEmpty }) => isEmpty) && tried.some(({ isEmpty }) => !isEmpty)
}
