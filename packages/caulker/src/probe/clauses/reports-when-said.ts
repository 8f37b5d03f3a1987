import { printed } from '../../contract/index.js'
import { deepActiveElement } from '../../dom/index.js'
import { findControl } from '../person/controls.js'
import { clause } from './clause.js'
import { draggedThenLetGo, reportedOtherwise } from './dragged.js'
import { notHeldBack, typedOn } from './held-back.js'
import { isDone, isGesture, type Trail } from '../stage/trail.js'
import { isPlainField, type Subject, type Way } from '../subject/subject.js'
import { isTypedIn } from '../subject/survey.js'

/** An edit is reported when the contract says: with each key, or when it ends. */
export const reportsWhenSaid = clause({
  id: 'reports-when-said',
  group: 'up',
  promise:
    'A value that reports when an edit ends reports nothing before; one that reports each edit does so at once, and one that is held back once, when the keys rest.',
  why: 'A report with every key saves half a word, searches for it and refuses it; one that comes only at the end leaves everything beside it stale while the person types.',
  tried:
    'A text is typed and the field is not left, and a slider, or what can be dragged, is moved and not let go of; where reports are held back, another is typed before its time.',
  unprovenWhen: 'No field was found whose text is taken just as it was typed.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length > 0,
  async *trails(subject) {
    for (const way of subject.ways)
      if (
        (way.plainly.size + way.partly.size > 0 || isFinishedLater(subject, way)) &&
        (way.control.kind === 'slider' || !way.isWhole)
      )
        yield { given: way.given, moves: way.moves }
    yield* typedOn(subject)
    yield* draggedThenLetGo(subject)
  },
  async judge(subject, played) {
    const { rows, trail } = played
    const dragged = reportedOtherwise(subject, played)
    if (dragged !== undefined) return dragged
    const hasty = await notHeldBack(subject, played)
    if (hasty !== undefined || trail.hasty === true) return hasty
    const [typed, ended] = [rows[1], rows[2]]
    if (typed === undefined || ended === undefined || !isGesture(typed.move) || typed.move.gesture.do !== 'type')
      return undefined
    const { text, on } = typed.move.gesture
    const heardOf = (row: typeof typed, name: string) => row.heard.find((one) => one.value === name)
    for (const { name, event, reports, within } of subject.values) {
      const early = heardOf(typed, name)
      if (reports === 'commit' && early !== undefined && (await isStillIn(subject, trail)))
        return {
          row: 1,
          says: `it reports ${name} while it is still being typed`,
          expected: 'nothing is heard before the field is left',
          found: `heard ${event} ${printed(early.payload)}`,
          cause: 'it listens for input, and not for change',
        }
      const late = heardOf(ended, name)
      if (
        reports === 'edit' &&
        within === 0 &&
        early === undefined &&
        late !== undefined &&
        (String(late.payload) === text || (!Array.isArray(late.payload) && isTypedIn(late.payload, text))) &&
        trail.moves.length === 2
      )
        return {
          row: 1,
          says: `it reports ${name} only when the ${on.kind === 'slider' ? 'slider is let go of' : 'field is left'}`,
          expected: `heard ${event} ${printed(late.payload)} ${on.kind === 'slider' ? 'as soon as it moves' : 'with the last key'}`,
          found: 'nothing is heard',
          cause: 'it listens for change, and not for input',
        }
    }
    return undefined
  },
})

/** What is written in some form of its own, and counts when its field is left. */
function isFinishedLater({ values }: Subject, { control, changes, text, moves }: Way): boolean {
  const isLater = values.some(({ name, reports }) => changes.has(name) && reports === 'commit')
  return isLater && isPlainField(control) && text !== undefined && text !== '' && isDone(moves[1], 'leave')
}

/** Who was led on to the next field has left this one. */
async function isStillIn(subject: Subject, { given, moves: [typed] }: Trail): Promise<boolean> {
  if (!isDone(typed, 'type')) return false
  const { on } = typed.gesture
  const isActive = (container: HTMLElement) => deepActiveElement(container.ownerDocument) === findControl(container, on)
  return (await subject.lookAfter(given, [typed], isActive)) === true
}
