import type { Subject } from './subject.js'

/** Looks for something in each subject once, whoever asks. */
export function onceFor<T>(look: (subject: Subject) => Promise<T>): (subject: Subject) => Promise<T> {
  const known = new WeakMap<Subject, Promise<T>>()
  return (subject) => {
    let found = known.get(subject)
    if (found === undefined) known.set(subject, (found = look(subject)))
    return found
  }
}
