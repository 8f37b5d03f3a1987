import { valueAt } from '../../contract/index.js'
import { allSteps, isPayload, type Reckoned, type Step } from '../../wiring/index.js'
import { sharedBy, type FittingView, type ScreenView } from '../reading/screen-view.js'
import { cellsGiven, sendings, type Sending } from '../reading/sends.js'
import { letsGo } from '../reading/wiped.js'
import { leak, screenRule, type Leak } from './rule.js'

/** An answer that is shown or sent together with what it was asked for, which has changed since. */
export const outdatedAnswer = screenRule({
  id: 'outdated-answer',
  level: 'warning',
  title: 'An old answer stands beside a new question',
  why: 'The person asks, enters something else, and does not ask again: what is read or sent puts the answer to the first question beside the second.',
  mend: 'Clear the answer where its question is edited, or ask again there.',
  leaking: `
import { call, contract, oneWay, reckon, screen, source, twoWay, Type } from 'caulker'
const loft = source('rope-loft', { price: { effect: 'reads', takes: Type.Object({ feet: Type.Integer() }), gives: Type.Integer() } })
const feet = contract('rope-feet', { summary: 'Feet', values: { feet: { type: Type.Integer() } } })
const button = contract('yard-button', { summary: 'A button', events: { press: {} } })
const words = contract('yard-words', { properties: { text: { type: Type.String(), default: '' } } })
export const rope = screen('rope', {
  cells: { feet: { type: Type.Integer(), initial: 0 }, marks: { type: Type.Integer(), initial: 0 } },
  sources: { loft },
  fittings: { feet, ask: button, words },
  reckoned: ({ cells }) => ({ line: reckon([cells.feet, cells.marks], (feet, marks) => \`\${feet} feet for \${marks} marks\`) }),
  actions: ({ cells, sources }) => ({ ask: [call(sources.loft.price, { feet: cells.feet }, { into: cells.marks })] }),
  bind: ({ cells, reckoned, actions }) => ({ feet: { feet: twoWay(cells.feet) }, ask: { on: { press: actions.ask } }, words: { text: oneWay(reckoned.line) } }),
})`,
  mended: `
import { call, clear, contract, oneWay, reckon, screen, source, twoWay, Type } from 'caulker'
const loft = source('rope-loft', { price: { effect: 'reads', takes: Type.Object({ feet: Type.Integer() }), gives: Type.Integer() } })
const feet = contract('rope-feet', { summary: 'Feet', values: { feet: { type: Type.Integer() } } })
const button = contract('yard-button', { summary: 'A button', events: { press: {} } })
const words = contract('yard-words', { properties: { text: { type: Type.String(), default: '' } } })
export const rope = screen('rope', {
  cells: { feet: { type: Type.Integer(), initial: 0 }, marks: { type: Type.Integer(), initial: 0 } },
  sources: { loft },
  fittings: { feet, ask: button, words },
  reckoned: ({ cells }) => ({ line: reckon([cells.feet, cells.marks], (feet, marks) => \`\${feet} feet for \${marks} marks\`) }),
  actions: ({ cells, sources }) => ({ ask: [call(sources.loft.price, { feet: cells.feet }, { into: cells.marks })], edited: [clear(cells.marks)] }),
  bind: ({ cells, reckoned, actions }) => ({ feet: { feet: twoWay(cells.feet), on: { 'feet-set': actions.edited } }, ask: { on: { press: actions.ask } }, words: { text: oneWay(reckoned.line) } }),
})`,
  *find(view) {
    for (const { question, answer } of asked(view)) {
      const fields = view.fittings.filter((fitting) => sharedBy(fitting).includes(question))
      const isOpen = (fitting: FittingView) => !isLockedBy(view, fitting, answer) && !isSeenTo(fitting, answer)
      if (!fields.some(isOpen)) continue
      yield* readTogether(view, question, answer)
      yield* sentTogether(view, question, answer)
    }
  },
})

interface Asked {
  readonly question: string
  readonly answer: string
}

/** Each cell that was asked for with what a person enters, and the cell that takes the answer. */
function asked(view: ScreenView): Asked[] {
  const typed = view.editedCells()
  return sendings(view)
    .filter(({ operation }) => operation.effect === 'reads')
    .flatMap((sending) => {
      const questions = [...cellsGiven(view, sending)].filter((cell) => typed.has(cell))
      // An answer that carries its question can be held against it.
      const isEcho = Object.keys(sending.members).some(
        (member) => valueAt(sending.operation.gives, ['properties', member]) !== undefined,
      )
      const answers = takersOf(sending).filter((answer) => !isEcho && !typed.has(answer))
      return answers.flatMap((answer) => questions.map((question) => ({ question, answer })))
    })
}

/** The cells that take the answer, or a part of it. */
function takersOf({ into, then }: Sending): string[] {
  const taken = then.flatMap((step) => (step.step === 'set' && isPayload(step.value) ? [step.cell.name] : []))
  return into === undefined ? taken : [into, ...taken]
}

/** Once there is an answer, or a step has said so, the question can be changed no more. */
function isLockedBy(view: ScreenView, { name, contract, bindings }: FittingView, answer: string): boolean {
  const shown = view.screen.shown[name]?.source
  const locks = [contract.locks.disabled, contract.locks.readonly].map((lock) => bindings.get(lock ?? ''))
  const sources = [...locks.map((lock) => (lock?.kind === 'one-way' ? lock.source : undefined)), shown]
  const behind = sources.flatMap((source) => (source === undefined ? [] : [...view.cellsBehind(source)]))
  const steps = view.actions.flatMap(({ all }) => all)
  return behind.some((cell) => cell === answer || steps.some((step) => step.step === 'set' && step.cell.name === cell))
}

/** Whether anything that is done in its field lets the answer go, or asks anew. */
function isSeenTo({ handlers }: FittingView, answer: string): boolean {
  return [...handlers.values()].some(({ steps }) => [...allSteps(steps)].some((step) => isRenewed(step, answer)))
}

function isRenewed(step: Step, answer: string): boolean {
  return (
    letsGo(step, answer) ||
    (step.step === 'refresh' && step.cell.name === answer) ||
    (step.step === 'call' && step.into?.name === answer) ||
    step.step === 'announce'
  )
}

/** A text or a number of both; what is true or false may be just what tells the two apart. */
function* readTogether(view: ScreenView, question: string, answer: string): Iterable<Leak> {
  const all = view.screen.reckoned as Readonly<Record<string, Reckoned<unknown>>>
  for (const { name, value } of view.firstReckoned()) {
    const behind = view.cellsBehind(all[name] as Reckoned<unknown>)
    const isOfBoth = behind.has(question) && behind.has(answer)
    if (isOfBoth && ['string', 'number'].includes(typeof value))
      yield leak(
        ['reckoned', name],
        `'${name}' is reckoned from '${answer}' and from '${question}', for which it was asked and which may be another by then`,
        { mend: mendFor(question, answer) },
      )
  }
}

function* sentTogether(view: ScreenView, question: string, answer: string): Iterable<Leak> {
  for (const sending of sendings(view)) {
    const cells = cellsGiven(view, sending)
    if (sending.operation.effect !== 'reads' && cells.has(question) && cells.has(answer))
      yield leak(
        sending.at,
        `'${sending.ref.source}.${sending.ref.name}' is sent '${answer}' with '${question}', for which it was asked and which may be another by then`,
        { mend: mendFor(question, answer) },
      )
  }
}

function mendFor(question: string, answer: string): string {
  return `Clear '${answer}' where '${question}' is edited, or ask again there.`
}
