import { equal } from '../../contract/index.js'
import { linesOnlyIn } from '../sight/picture.js'
import type { Trail } from '../stage/trail.js'
import type { Subject } from '../subject/subject.js'

const MOST_VALUES = 2

/** Whether what is done writes the same value in another form, as a choice of its unit does: seen where there is a value to be written. */
export async function isInAnotherForm(subject: Subject, { given, moves }: Trail): Promise<boolean> {
  for (const { name } of subject.values)
    for (const value of subject.plain(name).slice(0, MOST_VALUES)) {
      const { rows } = await subject.play({ given: { ...given, [name]: value }, moves })
      const [first, last] = [rows[0], rows.at(-1)]
      if (last === undefined || rows.some(({ heard }) => heard.length > 0) || !equal(last.read, first.read)) continue
      const fields = [linesOnlyIn(last.picture, first.picture), linesOnlyIn(first.picture, last.picture)].map((lines) =>
        lines.filter((line) => WRITTEN.test(line)),
      )
      if (fields.every((lines) => lines.length > 0)) return true
    }
  return false
}

/** A field with a number in it, which is no list of choices. */
const WRITTEN = /^\[[-+]?\d[^\]▾]*\]/
