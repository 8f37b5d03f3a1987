import { equal, printed } from '../../contract/index.js'
import { shadowOf } from '../../dom/index.js'
import type { Given } from '../../mount/index.js'
import type { Played } from '../stage/played.js'
import type { Subject } from '../subject/subject.js'
import { clause, type LeakAt } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { tell } from '../stage/trail.js'
import { choicesAlike, isMadeUp, sampleUnwritten, severalGiven, unseenBeside } from './members-shown.js'
import { problemUnread } from './problem-shown.js'
import { noneSaysIt, saysTheSame, usualInstead } from './says-the-same.js'
import { drawsNothing } from './draws-nothing.js'
import { emptyEntry } from './empty-entries.js'
import { namelessButton } from './nameless-button.js'
import { readsNothing } from './read-back.js'
import { standsElsewhere } from './slider-stands.js'
import { mountedAsAWord } from './words-for-nothing.js'
import { wordsUnread } from './words-unread.js'

/** What is given at the mount is there and is shown. */
export const showsInitial = clause({
  id: 'shows-initial',
  group: 'down',
  promise: 'What its owner gives at the mount is taken and shown.',
  why: 'A field that starts empty or with its default overwrites what was saved as soon as the person goes on.',
  tried:
    'Mounted with ordinary values of every name; it must say that it has them, and show them as it shows them when it is told; what is not given is shown as no word of code, what usually stands there makes room for what is given, a message is there to be read, and a control says its own state; what is shown by itself is shown beside others, and each choice otherwise than the others; a slider stands where its value is, a text for a person is somewhere to be read, and each button has a name.',
  unprovenWhen: 'No ordinary value of any name can be seen.',
  random: 'none',
  onTrial: 'mount',
  asMounted: true,
  concerns: ({ properties, values }) => Object.keys(properties).length + Object.keys(values).length > 0,
  *trails(subject) {
    yield { given: subject.least, moves: [] }
    yield { given: subject.base, moves: [] }
    for (const { name } of subject.names)
      for (const value of subject.plain(name)) yield { given: { ...subject.base, [name]: value }, moves: [] }
    yield { given: subject.middle, moves: [] }
    yield* severalGiven(subject)
  },
  async proves(subject, { rows: [row] }) {
    return !samePicture(row.picture, (await subject.fresh(subject.least)).picture)
  },
  async judge(subject, played) {
    const { given } = played.trail
    const [row] = played.rows
    // Whether such a list may be put in an order of its own is said nowhere.
    if (isMadeUp(subject, given)) return unseenBeside(subject, played)
    const unread = readsNothing(subject, played)
    if (unread !== undefined) return unread
    for (const { name } of subject.names) {
      if (given[name] === undefined || row.read[name] === undefined) continue
      const ideally = subject.ideally(name, given)
      if (!equal(row.read[name], ideally) && !equal(row.read[name], given[name]))
        return {
          row: 0,
          says: `${name} is not taken at the mount`,
          expected: `${name} ${printed(ideally)}`,
          found: `${name} ${printed(row.read[name])}`,
        }
    }
    for (const { name } of subject.names) {
      const other = subject.plain(name).find((value) => !equal(value, given[name]))
      if (given[name] === undefined || equal(given[name], subject.base[name]) || other === undefined) continue
      const otherGiven = { ...given, [name]: other }
      const fresh = await subject.fresh(otherGiven)
      const told = (await subject.play({ given: otherGiven, moves: [tell({ [name]: given[name] })] })).rows[1]
      if (
        told === undefined ||
        told.fault !== undefined ||
        !samePicture(fresh.picture, row.picture) ||
        samePicture(told.picture, fresh.picture)
      )
        continue
      return {
        row: 0,
        says: `${name} is shown when it is told, and not when it is given at the mount`,
        ...pictureDifference(told.picture, row.picture),
      }
    }
    const unsaid = (await passedToNothing(subject, given, row)) ?? (await usualInstead(subject, given, row))
    return (
      unsaid ??
      problemUnread(subject, played) ??
      (await saysTheSame(subject, played)) ??
      (await noneSaysIt(subject, played)) ??
      (await unseenBeside(subject, played)) ??
      (await choicesAlike(subject, played)) ??
      (await sampleUnwritten(subject, played)) ??
      mountedAsAWord(played) ??
      (await standsElsewhere(subject, played)) ??
      (await wordsUnread(subject, played)) ??
      (await namelessButton(subject, played)) ??
      (await emptyEntry(subject, played)) ??
      drawsNothing(subject, played)
    )
  },
})

/** Names of the platform (HTML Standard, section 4.10.5) that say what a field offers: they mean the same on a component around one. */
const APPLIES: Readonly<Record<string, (field: HTMLInputElement) => boolean>> = {
  accept: ({ type }) => type === 'file',
  multiple: ({ type }) => type === 'file' || type === 'email',
  placeholder: (field) => 'placeholder' in field,
}
const PASSED_ON = Object.keys(APPLIES)

/** A name of the platform that its own field is never told of, and that shows nowhere else. */
async function passedToNothing(subject: Subject, given: Given, row: Played['rows'][0]): Promise<LeakAt | undefined> {
  for (const { name } of subject.names) {
    const known = PASSED_ON.find((one) => one.toLowerCase() === name.toLowerCase())
    const other = subject.plain(name).find((value) => !equal(value, given[name]))
    if (known === undefined || given[name] === undefined || other === undefined) continue
    if (equal(given[name], subject.base[name])) continue
    const fieldOf = (container: HTMLElement) => {
      const fields = fieldsIn(container).filter((field) => APPLIES[known]?.(field as HTMLInputElement) ?? false)
      return fields.length === 1 ? { stands: (fields[0] as never)[known] as unknown } : undefined
    }
    const [here, there] = [await subject.look(given, fieldOf), await subject.look({ ...given, [name]: other }, fieldOf)]
    const fresh = await subject.fresh({ ...given, [name]: other })
    if (here === undefined || there === undefined || !equal(here, there) || !samePicture(fresh.picture, row.picture))
      continue
    return {
      row: 0,
      says: `its field never hears of ${name}`,
      expected: `a field with ${known} ${printed(given[name])}`,
      found: `a field with ${known} ${printed(here.stands)}`,
      cause: `${name} is not passed on`,
    }
  }
  return undefined
}

/** The native fields of a component, through open shadow roots. */
function fieldsIn(container: ParentNode): HTMLElement[] {
  return [...container.querySelectorAll<HTMLElement>('*')].flatMap((element) => [
    ...(element.localName === 'input' || element.localName === 'textarea' ? [element] : []),
    ...fieldsUnder(shadowOf(element)),
  ])
}

function fieldsUnder(root: ShadowRoot | null): HTMLElement[] {
  return root === null ? [] : fieldsIn(root)
}
