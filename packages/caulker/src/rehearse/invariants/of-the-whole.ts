import { invariant } from './invariant.js'

/** The same moves lead to the same; the exploration itself sees to it, by playing trails again. */
export const repeatable = invariant({
  id: 'repeatable',
  title: 'The same moves lead to the same',
  why: 'A function that remembers, or looks at the clock or at chance, shows one person one thing and the next another.',
  mend: 'Let amend, refuse and reckoned functions depend on what they are given alone; put the rest into a cell.',
  watches: 'everything',
  judge: () => [],
})

/** From everywhere an end can still be reached, if the sources answer; the exploration looks for it once it has seen the states. */
export const endInReach = invariant({
  id: 'end-in-reach',
  title: 'From everywhere an end can still be reached',
  why: 'A person who is stuck leaves, and takes along what they came for.',
  mend: 'Give the screen a way out: save or discard for the draft that keeps it open, a field for what is needed, a way to an end.',
  watches: 'everything',
  judge: () => [],
})
