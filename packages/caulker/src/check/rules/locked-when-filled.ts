import { isEmpty } from '../../contract/index.js'
import { isStateToken, type Readable } from '../../wiring/index.js'
import { combinations, heldWhile, onlyCompares } from '../reading/recomputed.js'
import { followsState, type FittingView, type Placed, type ScreenView } from '../reading/screen-view.js'
import { leak, screenRule } from './rule.js'

/** A button that sends, and is locked whenever there is something to send. */
export const lockedWhenFilled = screenRule({
  id: 'locked-when-filled',
  level: 'error',
  title: 'What sends is locked whenever there is something to send',
  why: 'The lock is the wrong way round: the person fills in the form, and the button that was open closes.',
  mend: 'Turn the lock round: reckon([…], (isReady) => !isReady).',
  leaking: `
import { contract, oneWay, reckon, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } } })
const button = contract('log-button', { summary: 'A button', properties: { shut: { type: Type.Boolean(), default: false } }, events: { pressed: {} }, locks: { disabled: 'shut' } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note, button },
  reckoned: ({ cells }) => ({ isFilled: reckon([cells.text], (text) => text !== '') }),
  actions: () => ({ keep: [submit()] }),
  bind: ({ cells, reckoned, actions }) => ({ note: { text: twoWay(cells.text) }, button: { shut: oneWay(reckoned.isFilled), on: { pressed: actions.keep } } }),
  submit: { sends: ['text'], needs: { text: 'Say something' }, to: 'office.note' },
})`,
  mended: `
import { contract, oneWay, reckon, screen, source, submit, twoWay, Type } from 'caulker'
const office = source('yard-office', { note: { effect: 'creates', takes: Type.Object({ text: Type.String() }) } })
const note = contract('log-note', { summary: 'A note', values: { text: { type: Type.String() } } })
const button = contract('log-button', { summary: 'A button', properties: { shut: { type: Type.Boolean(), default: false } }, events: { pressed: {} }, locks: { disabled: 'shut' } })
export const log = screen('deck-log', {
  cells: { text: { type: Type.String(), initial: '' } },
  sources: { office },
  fittings: { note, button },
  reckoned: ({ cells }) => ({ isOpen: reckon([cells.text], (text) => text === '') }),
  actions: () => ({ keep: [submit()] }),
  bind: ({ cells, reckoned, actions }) => ({ note: { text: twoWay(cells.text) }, button: { shut: oneWay(reckoned.isOpen), on: { pressed: actions.keep } } }),
  submit: { sends: ['text'], needs: { text: 'Say something' }, to: 'office.note' },
})`,
  *find(view) {
    for (const placed of view.actions) {
      const sent = sentBy(view, placed)
      if (sent === undefined) continue
      const [trigger, ...others] = view.triggersOf(placed)
      // Where anything else sends it, one that is only there at first may have a meaning of its own.
      if (trigger === undefined || others.length > 0) continue
      const { fitting } = trigger
      for (const { lock, source } of locksOf(fitting))
        if (isOpenInVain(view, source, sent))
          yield leak(
            ['bind', fitting.name, lock],
            `'${fitting.name}' ${sent.does}, and '${source.name}' locks it as soon as there is something to ${sent.verb}`,
          )
    }
  },
})

interface Sent {
  readonly does: string
  readonly verb: string
  /** What the screen says of itself while there is something to send. */
  readonly states: readonly string[]
  /** The cells without which nothing is sent. */
  readonly needs: readonly string[]
}

function sentBy({ screen: { submit } }: ScreenView, { all }: Placed): Sent | undefined {
  if (submit !== undefined && all.some(({ step }) => step === 'submit'))
    return { does: 'submits', verb: 'send', states: ['(changed)'], needs: Object.keys(submit.needs) }
  const saved = all.find((step) => step.step === 'save')
  if (saved === undefined) return undefined
  return { does: 'saves a draft', verb: 'save', states: [`(editing of ${saved.fitting.name})`], needs: [] }
}

function locksOf({ contract, bindings }: FittingView): { lock: string; source: Readable<unknown> }[] {
  return [contract.locks.disabled, contract.locks.readonly].flatMap((lock) => {
    const binding = lock === undefined ? undefined : bindings.get(lock)
    return binding?.kind === 'one-way' ? [{ lock: lock as string, source: binding.source }] : []
  })
}

/** Whether it is open while there is nothing to send, and shut in every state that was tried in which there is. */
function isOpenInVain(view: ScreenView, source: Readable<unknown>, { states, needs }: Sent): boolean {
  if (isStateToken(source)) return states.includes(source.name)
  if (source.kind === 'cell') return false
  if (followsState(view, source)) {
    const filled = heldWhile(view, source.name, new Map(states.map((state) => [state, true])))
    return (
      heldWhile(view, source.name, new Map())?.value === false &&
      filled?.value === true &&
      !isByOthers(view, source, states)
    )
  }
  const behind = [...view.cellsBehind(source)]
  if (needs.length === 0 || !needs.every((cell) => behind.includes(cell)) || !onlyCompares(view, source)) return false
  const isShut = (held: ReadonlyMap<string, unknown>) => heldWhile(view, source.name, held)?.value
  const filled = combinations(view, behind).filter((held) => needs.every((cell) => !isEmpty(held.get(cell))))
  return isShut(new Map()) === false && filled.length > 0 && filled.every((held) => isShut(held) === true)
}

/** Whether it follows any other state, which may lock it rightly. */
function isByOthers(view: ScreenView, source: Readable<unknown>, states: readonly string[]): boolean {
  const inputs = view.firstReckoned().find(({ name }) => name === source.name)?.from ?? []
  return inputs.some((name) => !states.includes(name))
}
