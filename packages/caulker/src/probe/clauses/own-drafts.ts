import { ledgerOf } from '../stage/ledger.js'
import type { Played } from '../stage/played.js'
import type { Move, Trail } from '../stage/trail.js'
import { editorsOf, type OwnEditor } from '../subject/own-drafts.js'
import type { Subject } from '../subject/subject.js'
import type { Clause, Examined, LeakAt } from './clause.js'

/** A trail over a draft, and what is wrong with how it was played. */
export interface DraftTry {
  readonly trail: Trail
  judge(played: Played): LeakAt | undefined | Promise<LeakAt | undefined>
}

/** What all clauses about drafts of a component's own have in common. */
export const ABOUT_DRAFTS = {
  group: 'drafts',
  unprovenWhen: 'Nothing was found that opens, saves or cancels a draft.',
  random: 'none',
  onTrial: 'gesture',
  needsElement: true,
  concerns: ({ drafts }) => Object.keys(drafts).length > 0,
  *trails() {},
  judge: () => undefined,
} satisfies Partial<Clause>

/** Plays each try of each draft, up to the first that leaks; what cannot be done is no try. */
export async function examineDrafts(
  subject: Subject,
  triesOf: (editor: OwnEditor) => Iterable<DraftTry>,
): Promise<Examined> {
  let held = 0
  let reason: string | undefined
  for (const editor of await editorsOf(subject)) {
    if (typeof editor === 'string') {
      reason = editor
      continue
    }
    for (const { trail, judge } of triesOf(editor)) {
      const played = await subject.play(trail)
      const stopped = played.rows.find(({ impossible, fault }) => impossible !== undefined || fault !== undefined)
      if (stopped !== undefined) {
        reason ??= stopped.impossible ?? `It throws (${stopped.fault}).`
        continue
      }
      const leak = await judge(played)
      if (leak === undefined) held++
      else {
        const { row, ...what } = leak
        return { leak: { ...what, ledger: ledgerOf(subject.contract, played, row) } }
      }
    }
  }
  return held > 0 ? { held } : { unproven: reason ?? ABOUT_DRAFTS.unprovenWhen }
}

/** A trail on a mount of an editor, under an owner that answers by hand. */
export function edits({ given }: OwnEditor, ...moves: (Move | readonly Move[])[]): Trail {
  return { given, moves: moves.flat(), setting: 'answering' }
}
