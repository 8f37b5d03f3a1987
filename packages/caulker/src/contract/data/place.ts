/** Where something was written: a file and a position in it, both counted from 1. */
export interface Place {
  file: string
  line: number
  column: number
}

const places = new WeakMap<object, Place>()
/** Stacks that nobody has asked for yet; most never are, and writing one out costs more than all else about a contract. */
const stacks = new WeakMap<object, { stack?: string }>()

/** Remembers from the call stack where `made` was written: the first frame above `maker`. */
export function rememberPlace(made: object, maker: (...args: never[]) => unknown): void {
  const carrier: { stack?: string } = {}
  const capture = (Error as { captureStackTrace?: (target: object, above: unknown) => void }).captureStackTrace
  if (capture === undefined) return
  capture(carrier, maker)
  stacks.set(made, carrier)
}

/** For what was not written as code: a contract that was read from a file. */
export function setPlace(made: object, place: Place): void {
  stacks.delete(made)
  places.set(made, place)
}

export function placeOf(made: object): Place | undefined {
  const stack = stacks.get(made)?.stack
  if (stack !== undefined) {
    stacks.delete(made)
    const place = firstPlace(stack)
    if (place !== undefined) places.set(made, place)
  }
  return places.get(made)
}

/** The first position in a stack that is not inside a package or the runtime itself; `isSkipped` names other files to pass over. */
export function firstPlace(stack: string, isSkipped: (file: string) => boolean = () => false): Place | undefined {
  for (const frame of stack.split('\n')) {
    const found = /(?:\(|at (?:async )?)((?:file:\/\/|[a-z]:\\|\/).*?):(\d+):(\d+)\)?$/i.exec(frame.trim())
    if (found === null || found[1] === undefined || found[1].includes('node_modules')) continue
    const file = decodeURI(found[1].replace(/^file:\/\//, ''))
    if (!isSkipped(file)) return { file, line: Number(found[2]), column: Number(found[3]) }
  }
  return undefined
}
