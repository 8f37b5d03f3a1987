import { equal, printed } from '../../contract/index.js'
import { clause } from './clause.js'
import { pictureDifference } from './laws.js'
import { samePicture } from '../sight/picture.js'
import { tell } from '../stage/trail.js'

/** What is given at the mount is there and is shown. */
export const showsInitial = clause({
  id: 'shows-initial',
  group: 'down',
  promise: 'What its owner gives at the mount is taken and shown.',
  why: 'A field that starts empty or with its default overwrites what was saved as soon as the person goes on.',
  tried:
    'Mounted with ordinary values of every name; it must say that it has them, and show them as it shows them when it is told.',
  unprovenWhen: 'No ordinary value of any name can be seen.',
  random: 'none',
  onTrial: 'mount',
  concerns: ({ properties, values }) => Object.keys(properties).length + Object.keys(values).length > 0,
  *trails(subject) {
    yield { given: subject.least, moves: [] }
    yield { given: subject.base, moves: [] }
    for (const { name } of subject.names)
      for (const value of subject.plain(name)) yield { given: { ...subject.base, [name]: value }, moves: [] }
  },
  async proves(subject, { rows: [row] }) {
    return !samePicture(row.picture, (await subject.fresh(subject.least)).picture)
  },
  async judge(subject, { trail: { given }, rows: [row] }) {
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
    return undefined
  },
})
