/** What the command ends with: nothing leaks, something does, or something could not be judged. */
export const EXIT = { sound: 0, leaks: 1, unjudged: 2 } as const
