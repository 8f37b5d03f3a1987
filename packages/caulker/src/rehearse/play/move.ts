import { printed } from '../../contract/index.js'

/** What a person does: at a value of a fitting (`bales.bales`), at a fitting, or at the browser. */
export type PersonMove =
  | { readonly edit: string; readonly to: unknown; readonly row?: string }
  | { readonly leave: string; readonly row?: string }
  /** An event that reports no value, such as the press of a button: `next`, or `winch.done` where it has another name. */
  | { readonly press: string; readonly with?: unknown; readonly row?: string }
  | { readonly travel: 'back' | 'forward' }
  /** Enter in a field, or a button of the form: the form is submitted or reset as the platform does it. */
  | { readonly form: 'submit' | 'reset' }

/** What a source answers to one of the calls that wait for it, the oldest where `which` does not say another. */
export type SourceMove =
  | { readonly answer: string; readonly given?: unknown; readonly which?: number }
  | {
      readonly fail: string
      readonly because: string
      readonly problems?: Readonly<Record<string, string>>
      readonly which?: number
    }
  /** It has not answered in time; it may still answer, too late. */
  | { readonly never: string; readonly which?: number }
  | { readonly late: string; readonly given?: unknown }

/** What the owner does, and how time passes, in milliseconds. */
export type OtherMove = { readonly set: Readonly<Record<string, unknown>> } | { readonly pass: number }

/** One thing that happens in a rehearsal: plain data, as a script and a trail write it. */
export type Move = PersonMove | SourceMove | OtherMove

/** A fitting and one of its names, as a move writes them: `bales.bales`. */
export function nameIn(written: string): { readonly fitting: string; readonly name: string } {
  const dot = written.indexOf('.')
  return dot < 0
    ? { fitting: written, name: 'press' }
    : { fitting: written.slice(0, dot), name: written.slice(dot + 1) }
}

/** A move in the words of who sits before the screen. */
export function moveText(move: Move): string {
  if ('edit' in move) return editText(move)
  if ('leave' in move) return `leaves ${placed(move.leave, move.row)}`
  if ('press' in move) {
    const { fitting, name } = nameIn(move.press)
    const carried = move.with === undefined ? '' : ` with ${printed(move.with, 40)}`
    return name === 'press'
      ? `presses ${placed(fitting, move.row)}`
      : `does '${name}' at ${placed(fitting, move.row)}${carried}`
  }
  if ('form' in move) return `${move.form}s the form`
  if ('travel' in move) return `goes ${move.travel} in the browser`
  if ('set' in move)
    return `the owner sets ${Object.entries(move.set)
      .map(([cell, value]) => `${cell} to ${printed(value, 40)}`)
      .join(', ')}`
  if ('pass' in move) return `${move.pass} ms pass`
  return sourceText(move)
}

function editText({ edit, to, row }: Extract<Move, { edit: string }>): string {
  const where = placed(edit, row)
  if (to === '' || to === null) return `empties ${where}`
  if (typeof to === 'boolean') return `${to ? 'ticks' : 'unticks'} ${where}`
  if (typeof to === 'string' || typeof to === 'number') return `enters ${printed(to, 40)} in ${where}`
  return `chooses ${printed(to, 40)} in ${where}`
}

function sourceText(move: SourceMove): string {
  const turn = 'which' in move && move.which !== undefined && move.which > 0 ? ` (call ${move.which + 1} of it)` : ''
  if ('answer' in move)
    return `${move.answer} answers${move.given === undefined ? '' : ` ${printed(move.given, 60)}`}${turn}`
  if ('fail' in move) return `${move.fail} fails: ${move.because}${turn}`
  if ('never' in move) return `${move.never} does not answer in time${turn}`
  return `${move.late} answers after its time is over`
}

function placed(name: string, row: string | undefined): string {
  return row === undefined ? name : `${name} (row ${row})`
}

/** Who does it, for a ledger: nothing where it is the person. */
export function isPersons(move: Move): move is PersonMove {
  return 'edit' in move || 'leave' in move || 'press' in move || 'travel' in move || 'form' in move
}
