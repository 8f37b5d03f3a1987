import { equal } from '../../contract/index.js'
import type { StateToken } from '../../wiring/index.js'
import type { OpenDraft, PendingCall, Problem } from './machine.js'
import type { Part } from './part.js'

/** The slot of a state: it is computed from the slots that hold it, like any reckoned cell. */
export function stateSlot(part: Part, token: StateToken<unknown>): number | undefined {
  const { building, slots, cells } = part
  const cell = token.of === undefined ? undefined : cells.get(token.of)
  const made = (inputs: readonly number[], compute: (...inputs: never[]) => unknown) => {
    const name = part.named(token.name)
    const slot = building.slots.add(name, undefined)
    building.reckoned.push({ name, slot, inputs, compute: compute as never })
    return slot
  }
  const drafts = [...part.drafts].flatMap(([name, at]) => (name.startsWith(`${token.of}.`) ? [at] : []))
  const draftSlots = drafts.map((at) => building.drafts[at]?.slot ?? -1)
  if (token.state === 'sending') return made([slots.phase], (phase: string) => phase === 'sending')
  if (token.state === 'loading') {
    const { sites } = building
    return made([building.machine.calls], (calls: readonly PendingCall[]) =>
      calls.some(({ site, isExpired }) => {
        const { screen, into, operation } = sites[site] ?? {}
        return !isExpired && screen === part.at && (cell === undefined ? operation?.effect === 'reads' : into === cell)
      }),
    )
  }
  if (token.state === 'changed') {
    const all = cell === undefined ? part.edited : [cell]
    return made([slots.saved, ...all], (saved: Readonly<Record<number, unknown>>, ...held: unknown[]) =>
      all.some((one, at) => !equal(held[at], one in saved ? saved[one] : building.clauses[one]?.initial)),
    )
  }
  if (token.state === 'touched')
    return made([slots.touched], (touched: object) =>
      cell === undefined ? Object.keys(touched).length > 0 : cell in touched,
    )
  if (token.state === 'problem')
    return made([slots.problems], (problems: Problems) =>
      cell === undefined ? ownProblem(problems, part.fields) : problemAt(problems, [cell]),
    )
  if (token.state === 'editing')
    return made(draftSlots, (...open: (OpenDraft | undefined)[]) => open.some((draft) => draft !== undefined))
  return made(draftSlots, (...open: (OpenDraft | undefined)[]) => open.some((draft) => draft?.isOvertaken === true))
}

type Problems = Readonly<Record<string, Problem>>

/** The first text that is shown beside some cells; of an entry of a row, where its key is given. */
export function problemAt(problems: Problems, cells: readonly number[], row?: string): string {
  for (const [place, { text, isShown }] of Object.entries(problems)) {
    const [cell, key] = place.split('/')
    if (isShown && place !== '' && cells.includes(Number(cell)) && key === row) return text
  }
  return ''
}

/** The screen's own problem: what belongs to no field. */
export function ownProblem(problems: Problems, fields: readonly number[]): string {
  const own = Object.entries(problems).find(
    ([place, { isShown }]) => isShown && (place === '' || (!place.includes('/') && !fields.includes(Number(place)))),
  )
  return own?.[1].text ?? ''
}
