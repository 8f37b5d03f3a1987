import { equal } from '../../contract/index.js'
import type { ControlRef } from '../person/controls.js'
import { foundControls, type FoundControl } from '../person/operate.js'
import { samePicture, type Picture } from '../sight/picture.js'
import type { Stage } from '../stage/stage.js'
import { gesture, operatedIn, type Move } from '../stage/trail.js'
import type { Given } from '../../mount/index.js'
import { isPlainField, type Subject, type Way } from './subject.js'
import { textIn, triedAt, type Try } from './tries.js'
import { textsFor } from './typed-texts.js'
import { isSilent } from './views.js'

/**
 * What counts only with what is done after it: a text that is entered more than once, and what is done on one of several pages that
 * follow each other, kept by a press on a later one.
 *
 * @param changes whether a value is changed by these moves
 */
export async function* keptBack(
  subject: Subject,
  stage: Stage,
  given: Given,
  controls: readonly FoundControl[],
  changes: (moves: readonly Move[]) => Promise<boolean>,
): AsyncIterable<Try> {
  yield* enteredInEach(subject, given, controls)
  const pages = await pagesFrom(subject, stage, given, controls)
  if (pages.length < 2) return
  for (const page of pages) {
    const edits = page.fresh.flatMap((control) => editsAt(subject, given, control))
    // What one box changes may be hidden by what another one stands at.
    const oneAtEach = edits.filter(({ control }, at) => edits.findIndex((one) => equal(one.control, control)) === at)
    const taken = await takenBy(pages, page, oneAtEach.slice(0, MOST_EDITS), changes)
    if (taken === undefined) continue
    for (const { moves, control } of edits.slice(0, MOST_AT_A_PAGE))
      yield { moves: [...page.moves, ...unfinished(moves), ...taken], control, text: undefined }
  }
}

/** Whether what is done at a control waits for what is done at another after it. */
export function isKeptBack(subject: Subject, control: ControlRef): boolean {
  return waysAfter(subject, control).length > 0
}

/** The same, and what is done last does not come to the same by itself, as a button that clears does whatever was typed. */
export async function waitsForAnother(subject: Subject, control: ControlRef): Promise<boolean> {
  for (const { given, moves } of waysAfter(subject, control)) {
    const alone = subject.ways.find(
      (way) => equal(way.given, given) && way.moves.length === 1 && equal(way.moves[0], moves.at(-1)),
    )
    if (alone === undefined) return true
    const [whole, byItself] = [await subject.play({ given, moves }), await subject.play({ given, moves: alone.moves })]
    if (!equal(whole.rows.at(-1)?.read, byItself.rows.at(-1)?.read)) return true
  }
  return false
}

/** Whether what is typed there only finds what is chosen from a list then. */
export function isOnlySearched(subject: Subject, control: ControlRef): boolean {
  // What a button does alone, such as to clear, it does whatever was typed.
  const isByItself = ({ given, moves }: Way) =>
    subject.ways.some((way) => equal(way.given, given) && way.moves.length === 1 && equal(way.moves[0], moves.at(-1)))
  const after = waysAfter(subject, control).filter((way) => !isByItself(way))
  return after.length > 0 && after.every(({ moves }) => operatedIn(moves).at(-1)?.kind === 'list box')
}

function waysAfter({ ways }: Subject, control: ControlRef): Way[] {
  return ways.filter(({ moves, changes }) => {
    const places = operatedIn(moves)
    const last = places.at(-1)
    const others = places.filter((one) => !equal(one, last))
    const waiting = places.every(isPlainField) ? places : others
    return changes.size > 0 && others.length > 0 && waiting.some((one) => isOneOf(one, control))
  })
}

/** Of a group of radio buttons one stands for all; so does a field, since a button that keeps one keeps those beside it. */
function isOneOf(one: ControlRef, control: ControlRef): boolean {
  const areAlike =
    (isPlainField(one) && isPlainField(control)) || (one.kind === 'radio button' && control.kind === one.kind)
  return areAlike || equal(one, control)
}

const MOST_PAGES = 5
const MOST_BUTTONS = 4
const MOST_EDITS = 2
const MOST_AT_A_PAGE = 6

/** The same text in each of two or three fields. */
function* enteredInEach(subject: Subject, given: Given, controls: readonly FoundControl[]): Iterable<Try> {
  const fields = controls.map(({ ref }) => ref).filter(isPlainField)
  const [first] = fields
  if (first === undefined || fields.length < 2 || fields.length > 3) return
  for (const text of textsFor(subject, given, first).slice(0, MOST_EDITS)) {
    const typed = fields.map((on) => gesture({ do: 'type', on, text }))
    yield { moves: [...typed, gesture({ do: 'leave' })], control: first, text: undefined }
  }
}

/** What is seen after some presses that change no value. */
interface Page {
  readonly moves: readonly Move[]
  readonly picture: Picture
  readonly buttons: readonly ControlRef[]
  /** What can be done here, and not on the page before. */
  readonly fresh: readonly FoundControl[]
}

/** The pages that a person comes to one after the other; what has been seen before is no new one. */
async function pagesFrom(
  subject: Subject,
  stage: Stage,
  given: Given,
  controls: readonly FoundControl[],
): Promise<Page[]> {
  const first = (await subject.play({ given, moves: [] })).rows[0]
  const pages: Page[] = [{ moves: [], picture: first.picture, ...sorted(controls, []) }]
  for (let page = pages[0]; page !== undefined && pages.length < MOST_PAGES;) {
    const { moves, buttons } = page
    let next: Page | undefined
    for (const on of buttons.slice(0, MOST_BUTTONS)) {
      const there = [...moves, gesture({ do: 'press', on })]
      const played = await subject.play({ given, moves: there })
      const picture = played.rows.at(-1)?.picture ?? first.picture
      if (!isSilent(subject, played) || pages.some((one) => samePicture(one.picture, picture))) continue
      const before = pages.flatMap(({ fresh }) => fresh)
      next = { moves: there, picture, ...sorted((await stage.look(given, there, foundControls)) ?? [], before) }
      break
    }
    if (next !== undefined) pages.push(next)
    page = next
  }
  return pages
}

function sorted(controls: readonly FoundControl[], before: readonly FoundControl[]): Pick<Page, 'buttons' | 'fresh'> {
  const isButton = ({ ref }: FoundControl) => ref.kind === 'button'
  return {
    buttons: controls.filter(isButton).map(({ ref }) => ref),
    fresh: controls.filter((one) => !isButton(one) && !before.some(({ ref }) => equal(ref, one.ref))),
  }
}

function editsAt(subject: Subject, given: Given, found: FoundControl): Try[] {
  const { ref: on } = found
  if (!isPlainField(on)) return triedAt(subject, given, found).slice(0, MOST_EDITS)
  const typed = gesture({ do: 'type', on, text: textIn(subject, given, found) })
  return [{ moves: [typed], control: on, text: undefined }]
}

/** The presses by which what was done on a page is taken, where some are. */
async function takenBy(
  pages: readonly Page[],
  from: Page,
  edits: readonly Try[],
  changes: (moves: readonly Move[]) => Promise<boolean>,
): Promise<readonly Move[] | undefined> {
  for (const page of pages.slice(pages.indexOf(from)))
    for (const on of page.buttons.slice(0, MOST_BUTTONS)) {
      const presses = [...page.moves.slice(from.moves.length), gesture({ do: 'press', on })]
      for (const { moves } of edits)
        if (await changes([...from.moves, ...unfinished(moves), ...presses])) return presses
    }
  return undefined
}

/** The press that follows leaves the field. */
function unfinished(moves: readonly Move[]): readonly Move[] {
  return moves.filter((move) => !equal(move, gesture({ do: 'leave' })))
}
