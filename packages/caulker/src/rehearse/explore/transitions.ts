import type { Move } from '../play/move.js'

/** Notes where each transition was met first: a kind of move on a screen, and the screen that it leads to. */
export interface Transitions {
  note(state: number, from: string, move: Move, to: string): void
  firsts(): readonly { readonly transition: string; readonly state: number; readonly move: Move }[]
}

export function noteTransitions(): Transitions {
  const met = new Map<string, { state: number; move: Move }>()
  return {
    note(state, from, move, to) {
      const transition = transitionText(from, move, to)
      if (!met.has(transition)) met.set(transition, { state, move })
    },
    firsts: () => [...met].map(([transition, first]) => ({ transition, ...first })),
  }
}

/** A kind of move on a screen, and where it leads. */
export function transitionText(from: string, move: Move, to: string): string {
  return from === to ? `${from}: ${kindOf(move)}` : `${from}: ${kindOf(move)} → ${to}`
}

/** What a person would call the same move, whatever is entered by it. */
function kindOf(move: Move): string {
  if ('press' in move) return `presses ${move.press}`
  if ('edit' in move) return `edits ${move.edit}`
  if ('leave' in move) return `leaves ${move.leave}`
  if ('form' in move) return `${move.form}s the form`
  if ('travel' in move) return `goes ${move.travel}`
  if ('answer' in move) return `${move.answer} answers`
  if ('fail' in move) return `${move.fail} fails`
  if ('never' in move) return `${move.never} never answers`
  if ('late' in move) return `${move.late} answers late`
  return 'set' in move ? `the owner sets ${Object.keys(move.set).join(', ')}` : 'time passes'
}
