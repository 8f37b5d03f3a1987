import { clause } from '../clause.js'
import { entersText } from '../gestures.js'
import { settlesEdits } from '../story.js'

/** Each way in that changes what is shown changes the value. */
export const everyWayIn = clause({
  id: 'every-way-in',
  group: 'up',
  promise: 'Whatever a person enters in its field is taken, by each way that ends an edit.',
  why: 'The field shows the new text and the owner holds the old: what is saved is not what is seen.',
  tried: 'A text is typed into each field, which is then left, and entered.',
  unprovenWhen: 'It has more than one field or more than one value, so that a field may be there for something else.',
  random: 'none',
  onTrial: 'gesture',
  concerns: ({ values }) => Object.keys(values).length === 1,
  *stories(subject) {
    const fields = subject.controls.filter(({ kind }) => kind === 'text field' || kind === 'number field')
    if (fields.length !== 1) return
    for (const way of subject.ways)
      if (way.text !== undefined && way.text !== '') yield { given: way.given, moves: way.moves }
  },
  judge(subject, { rows }) {
    const last = rows.length - 1
    const row = rows[last]
    const typed = rows[1]?.move
    if (
      row === undefined ||
      typed === undefined ||
      !('gesture' in typed) ||
      !entersText(typed.gesture) ||
      !settlesEdits(row.move)
    )
      return undefined
    const [value] = subject.values
    const { text } = typed.gesture
    const isShown = row.picture.lines.some((line) => line.includes(`[${text}]`))
    const isTaken = subject.ways.some((way) => way.plainly.has(value?.name ?? ''))
    const wasHeard = rows.some(({ heard }) => heard.some((one) => one.value === value?.name))
    const now = row.read[value?.name ?? '']
    if (value === undefined || !isShown || !isTaken || wasHeard || now === undefined || String(now) === text)
      return undefined
    return {
      row: last,
      says: `what is entered is shown and not taken as ${value.name}`,
      expected: `heard ${value.event} with ${text}`,
      found: `nothing is heard, and ${value.name} is ${String(now)}`,
    }
  },
})
