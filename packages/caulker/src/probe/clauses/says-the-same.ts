import { said } from '../person/said.js'
import { accepts, equal, printed } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import { findControl, type ControlKind } from '../person/controls.js'
import { allLines } from '../sight/picture.js'
import type { Played, Row } from '../stage/played.js'
import { isDone } from '../stage/trail.js'
import { takesAnyText } from '../subject/off-type.js'
import { oneAtEach, type Subject, type Way } from '../subject/subject.js'
import type { LeakAt } from './clause.js'

/** HTML Standard, sections 3.2.6 and 4.10.18: names of the platform that are no text to be read, whatever they hold. */
const UNREAD = [
  'name',
  'id',
  'lang',
  'dir',
  'type',
  'role',
  'part',
  'slot',
  'class',
  'style',
  'form',
  'inputMode',
  'autocomplete',
]

/** What usually stands for a property is shown, a text or the entries of a list, whatever else its owner gives. */
export async function usualInstead(subject: Subject, given: Given, row: Row): Promise<LeakAt | undefined> {
  for (const { name, kind, type, default: usual } of subject.names) {
    const now = given[name]
    if (kind !== 'property' || equal(now, usual) || equal(now, subject.base[name])) continue
    // A choice may be drawn in some way of its own, and its word stand there for something else.
    if (UNREAD.includes(name) || (!Array.isArray(usual) && !takesAnyText(type))) continue
    const [old, other] = [textsIn(usual), textsIn(now)]
    const isShown = (text: string) => allLines(row.picture).some((line) => standsIn(line, text))
    // Where a part of it is shown, the rest may be left out for a reason.
    if (old.length === 0 || other.length === 0 || !old.every(isShown)) continue
    if (other.every((text) => old.includes(text)) || other.some((text) => !old.includes(text) && isShown(text)))
      continue
    // One text may stand there for another reason, too; of a list all entries do not.
    const usually = await subject.fresh({ ...given, [name]: usual })
    if (old.length < 2 && !equal(usually.picture, row.picture)) continue
    return {
      row: 0,
      says: `${name} is shown as it usually is, whatever is given`,
      expected: `shown ${other.join(', ')}`,
      found: `shown ${old.join(', ')}`,
      cause: `it is drawn before ${name} is set, and not again`,
    }
  }
  return undefined
}

/** A text, or the texts and numbers of a list; nothing of what is drawn in some way of its own. */
function textsIn(value: unknown): string[] {
  const list: readonly unknown[] = Array.isArray(value) ? value : typeof value === 'string' ? [value] : []
  const texts = list.map((one) => (typeof one === 'string' || typeof one === 'number' ? String(one).trim() : ''))
  return texts.includes('') ? [] : texts
}

/** As a word of its own: short texts stand by chance in others. */
function standsIn(line: string, text: string): boolean {
  const at = line.indexOf(text)
  return (
    at >= 0 &&
    !/[\p{L}\p{N}]/u.test(`${line.slice(0, at).slice(-1)}${line.slice(at + text.length, at + text.length + 1)}`)
  )
}

/** WAI-ARIA 1.2, section 6.6: what a control says of its own state, by its kind. */
const STATES: Partial<Record<ControlKind, (control: HTMLElement) => unknown>> = {
  slider: (control) => said(control, 'aria-valuetext') ?? said(control, 'aria-valuenow') ?? valueOf(control),
  'spin button': (control) => said(control, 'aria-valuetext') ?? said(control, 'aria-valuenow') ?? valueOf(control),
  switch: (control) => said(control, 'aria-checked') ?? (control as HTMLInputElement).checked,
  checkbox: (control) => said(control, 'aria-checked') ?? (control as HTMLInputElement).checked,
  button: (control) => said(control, 'aria-pressed') ?? said(control, 'aria-expanded') ?? undefined,
}

function valueOf(control: HTMLElement): unknown {
  return (control as HTMLInputElement).value
}

/** A control that changes one value, and says the same of itself whatever that is. */
export async function saysTheSame(subject: Subject, { trail: { given } }: Played): Promise<LeakAt | undefined> {
  if (!equal(given, subject.base)) return undefined
  for (const { control, changes, given: mount } of oneAtEach(subject.ways.filter(saysItself))) {
    const [name = ''] = changes
    const type = subject.names.find((one) => one.name === name)?.type
    // A slider says a number, and what is turned on and off a flag.
    const isRanged = control.kind === 'slider' || control.kind === 'spin button'
    const ordinary = isRanged ? subject.plain(name).filter((value) => typeof value === 'number') : [true, false]
    const values = ordinary.filter((value) => type !== undefined && accepts(type, value))
    const said = await Promise.all(
      values.slice(0, MOST_VALUES).map(async (value) => {
        const given = { ...mount, [name]: value }
        // What is lost at the mount shows nothing of it either.
        if (!equal((await subject.fresh(given)).read[name] ?? value, value)) return undefined
        return subject.look(given, (container) => {
          const found = findControl(container, control)
          return found && STATES[control.kind]?.(found)
        })
      }),
    )
    if (said.length < 2 || said.some((one) => one === undefined || one !== said[0])) continue
    return {
      row: 0,
      says: `the ${control.kind} that changes ${name} says ${printed(said[0])}, whatever ${name} is`,
      expected: `what it says goes with ${name}`,
      found: `${printed(said[0])} with each of ${values
        .slice(0, MOST_VALUES)
        .map((value) => printed(value))
        .join(', ')}`,
      cause: 'its state is written once, and assistive technology hears of no other',
    }
  }
  return undefined
}

function saysItself({ control, changes }: Way): boolean {
  return STATES[control.kind] !== undefined && changes.size === 1
}

const MOST_VALUES = 3

/** WAI-ARIA 1.2, sections 6.6.23 and 6.6.5: which of several is chosen is said by it, and by no colour alone. */
const CHOICES: readonly { readonly role: string; readonly state: string; readonly of?: string }[] = [
  { role: 'tab', state: 'aria-selected' },
  { role: 'radio', state: 'aria-checked' },
  // Section 6.6.14: what stays pressed says so, or says nothing of it at all.
  { role: 'button', state: 'aria-pressed', of: '[aria-pressed]' },
]

/** What a person chooses changes the value, and none of the choices says then that it is the chosen one. */
export async function noneSaysIt(subject: Subject, { trail: { given } }: Played): Promise<LeakAt | undefined> {
  if (!equal(given, subject.base)) return undefined
  for (const { given: mount, moves, control, changes } of oneAtEach(subject.ways.filter(isOnePress)).slice(
    0,
    MOST_CHOICES,
  )) {
    const [name = ''] = changes
    const now = (await subject.play({ given: mount, moves })).rows.at(-1)?.read[name]
    // What is let go of leaves none chosen.
    const value = subject.values.find((one) => one.name === name)
    if (now === undefined || now === false || equal(now, value?.empty) || equal(now, value?.default)) continue
    const silent = await subject.lookAfter(mount, moves, (container) => {
      const found = findControl(container, control)
      const choice = CHOICES.find(({ role, of }) =>
        of === undefined ? found !== undefined && said(found, 'role') === role : found?.matches(of),
      )
      const group = found?.closest(GROUPS) ?? (found?.getRootNode() as ParentNode | undefined)
      const all = choice && [...(group?.querySelectorAll(choice.of ?? `[role=${choice.role}]`) ?? [])]
      return all?.every((one) => said(one, choice?.state ?? '') !== 'true') === true ? choice : undefined
    })
    if (silent !== undefined)
      return {
        row: 0,
        says: `none of the choices says that it is the chosen ${name}, not even the one that a person has just chosen`,
        expected: `one ${silent.role} with ${silent.state} true`,
        found: 'none',
        cause: 'it is marked for the eye alone',
      }
  }
  return undefined
}

const GROUPS = '[role=tablist], [role=radiogroup]'
const MOST_CHOICES = 6

function isOnePress({ control: { kind }, changes, moves }: Way): boolean {
  return (kind === 'button' || kind === 'radio button') && changes.size === 1 && isDone(moves[0], 'press')
}
