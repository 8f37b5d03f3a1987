import { isWithin, printed, type TSchema } from '../../contract/index.js'
import { leak, type Leak } from './rule.js'

/** One leak where something of the narrower type is not of the wider one; `says` is given the witness. */
export function* compared(
  at: readonly string[],
  narrower: TSchema,
  wider: TSchema,
  says: (witness: string) => string,
): Iterable<Leak> {
  const found = isWithin(narrower, wider)
  if (found.answer === 'no') yield leak(at, says(printed(found.witness)))
}
