import { samplesOf } from '../../contract/index.js'
import { isStateToken, type Readable } from '../../wiring/index.js'
import type { ScreenView } from './screen-view.js'

/** What a reckoned cell comes to where one cell holds something else than at first; nothing where a function throws. */
export function recomputed(
  view: ScreenView,
  reckoned: string,
  cell: string,
  value: unknown,
): { value: unknown } | undefined {
  return heldWhile(view, reckoned, new Map([[cell, value]]))
}

/** What a cell, a reckoned cell or a state holds where some of them hold something else than at first, by name. */
export function heldWhile(
  view: ScreenView,
  name: string,
  held: ReadonlyMap<string, unknown>,
): { value: unknown } | undefined {
  const values = new Map<string, unknown>([...view.cells].map(([cell, { initial }]) => [cell, initial]))
  for (const [one, value] of held) values.set(one, value)
  try {
    for (const { name: one, from, compute } of view.firstReckoned())
      if (!held.has(one)) values.set(one, compute(...from.map((input) => values.get(input))))
  } catch {
    return undefined
  }
  return { value: values.get(name) }
}

/** Whether it never comes to what is meant, at first or when any one cell behind it holds something else. */
export function neverIs(view: ScreenView, source: Readable<unknown>, isMeant: (value: unknown) => boolean): boolean {
  if (isStateToken(source)) return false
  if (source.kind === 'cell') return !samplesOf(view.typeOf(source) ?? {}).some(isMeant)
  const first = view.firstReckoned().find(({ name }) => name === source.name)
  if (first === undefined || first.threw !== undefined || first.value === undefined || isMeant(first.value))
    return false
  return [...view.cellsBehind(source)].every((cell) =>
    samplesOf(view.cells.get(cell)?.type ?? {}).every((value) => {
      const made = recomputed(view, source.name, cell, value)
      return made !== undefined && !isMeant(made.value)
    }),
  )
}

/** Whether a reckoned cell only asks whether something is there, and how long it is: then samples show all that it can say. */
export function onlyCompares(view: ScreenView, source: Readable<unknown>): boolean {
  const made = view.firstReckoned().find(({ name }) => name === source.name)
  if (made === undefined) return false
  const code = String(made.compute).replace(WRITTEN, '').replace(ASKED, '')
  const further = made.from.map((name) => view.firstReckoned().find((one) => one.name === name))
  return !LOOKS_FURTHER.test(code) && further.every((one) => one === undefined || onlyCompares(view, one as never))
}

const WRITTEN = /'[^']*'|"[^"]*"|`[^`]*`/g
const ASKED = /\.trim\(\)|\.length\b/g
/** A member, a regular expression, a call: what is asked there may be met by what no sample is. */
const LOOKS_FURTHER = /[./[]|[\w$]\s*\(/

const MOST = 400

/** What some cells may hold together, by samples of each, as far as that can be tried. */
export function combinations(view: ScreenView, cells: readonly string[]): Map<string, unknown>[] {
  let made = [new Map<string, unknown>()]
  for (const cell of cells) {
    const samples = samplesOf(view.cells.get(cell)?.type ?? {})
    const few = samples.slice(0, Math.max(2, Math.floor(MOST ** (1 / cells.length))))
    made = made.flatMap((held) => few.map((value) => new Map([...held, [cell, value]])))
  }
  return made.slice(0, MOST)
}
