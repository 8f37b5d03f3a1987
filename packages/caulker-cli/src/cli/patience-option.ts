import { InvalidArgumentError, Option } from 'commander'

/** How long code of the user's may work before it counts as code that never comes back. */
export function patienceOption(seconds: number): Option {
  return new Option(
    '--patience <seconds>',
    `how much processor time one file or step may take before it counts as one that never comes back; ${seconds} by default`,
  ).argParser((text) => {
    const given = Number(text)
    if (!(given > 0 && given < 3600)) throw new InvalidArgumentError('give a number of seconds above 0')
    return given
  })
}
