import {
  announce,
  back,
  call,
  clear,
  discard,
  draft,
  go,
  journey,
  load,
  oneWay,
  payload,
  reckon,
  refresh,
  reset,
  rowsOf,
  run,
  save,
  screen,
  set,
  shownWhile,
  states,
  submit,
  twoWay,
  Type,
  type AnyScreen,
} from 'caulker'
import type { Wiring } from 'caulker/inside/machine'
import { button, count, freed, loose, marked, note, office, seams, tag, text, whole } from './parts.js'
import type { Player, Run } from './player.js'

/** What is done to a wiring: the name of what a run does, with what it is given. */
type Move = readonly [keyof Run | 'answerFirst' | 'failFirst', ...unknown[]]

/** A wiring that nobody thought of, and what is done to it: the same for the same seed. */
export interface RandomWiring {
  readonly wiring: Wiring
  readonly moves: readonly Move[]
}

const GIVEN: Readonly<Record<string, unknown>> = {
  'office.berths': ['N1'],
  'office.bales': 6,
  'office.book': { number: 'B1' },
}

export function randomWiring(seed: number): RandomWiring {
  const chance = chanceFrom(seed)
  const one = <T>(all: readonly T[]): T => all[Math.floor(chance() * all.length)] as T
  const often = (share: number, made: object): object => (chance() < share ? made : {})

  function anyStep(its: any, screens: readonly string[], depth = 0): unknown {
    const { cells, sources, topics, fittings } = its
    const after = (share: number) => (depth < 2 && chance() < share ? [anyStep(its, screens, depth + 1)] : [])
    return one<() => unknown>([
      () => set(cells.name, one<any>(['', 'Heron', cells.other])),
      () => set(cells.bales, one<any>([0, 7, 99, cells.most])),
      () => set(cells.most, one<any>([5, 40, cells.bales])),
      () => set(cells.isOpen, one([true, false])),
      () => clear(one([cells.name, cells.bales, cells.other])),
      () => reset(),
      () => submit(),
      () => announce(topics.freed, one<any>([cells.bales, 3])),
      () => refresh(cells.berths),
      () => call(sources.office.bales, one<any>([cells.bales, 4]), { into: cells.most, fails: after(0.4) as never }),
      () =>
        call(
          sources.office.book,
          { bales: cells.bales, name: cells.name },
          { then: [set(cells.other, payload('/number') as never), ...after(0.3)] as never, fails: after(0.4) as never },
        ),
      () => run(fittings.one, one(['reset', 'hush']) as never),
      () => save(one([fittings.field, fittings.seam])),
      () => discard(one([fittings.field, fittings.seam])),
      () => (screens.length > 0 ? go(one(screens)) : clear(cells.other)),
      () => (screens.length > 0 ? back() : clear(cells.name)),
    ])()
  }

  // A typed seam: the parts are chosen at random, so the compiler cannot follow them.
  const made = (name: string, screens: readonly string[]): AnyScreen => {
    const second = one<any>([count, loose, marked])
    return (screen as any)(name, {
      cells: {
        name: { ...text, initial: one(['', 'Bittern']), ...often(0.2, { amend: [(is: string) => is.trim()] }) },
        other: { ...text, ...often(0.2, { refuse: [(is: string) => (is === 'Teal' ? 'no teal' : undefined)] }) },
        bales: { ...whole, initial: one([0, 3, 50]) },
        most: { ...whole, initial: one([9, 40]) },
        isOpen: { type: Type.Boolean(), initial: chance() < 0.6 },
        berths: { type: Type.Array(Type.String()), initial: [] },
        seams,
      },
      sources: { office },
      topics: { freed },
      fittings: {
        field: note,
        second: note,
        one: count,
        two: second,
        go: button,
        send: button,
        total: tag,
        seam: count,
      },
      reckoned: ({ cells }: any) => ({
        sum: reckon([cells.bales, cells.most], (bales: any, most: any) => bales + most),
        isShut: reckon([cells.isOpen], (isOpen) => !isOpen),
        busy: reckon([states.sending()], (is) => (is ? 'busy' : '')),
      }),
      ...often(0.4, {
        shown: ({ cells, reckoned }: any) => ({
          [one(['field', 'second', 'two', 'one'])]: shownWhile(one([cells.isOpen, reckoned.isShut])),
        }),
      }),
      rows: ({ cells }: any) => ({ seam: rowsOf(cells.seams, 'id' as never) }),
      ...often(0.4, { loads: ({ sources }: any) => ({ berths: load(sources.office.berths) }) }),
      ...often(0.3, { hears: ({ cells }: any) => ({ freed: [set(cells.bales, payload() as never)] }) }),
      actions: (its: any) => ({
        first: [1, 2, 3].map(() => anyStep(its, screens)),
        last: [anyStep(its, screens)],
      }),
      bind: ({ cells, reckoned, actions, row }: any) => ({
        field: { text: one<any>([twoWay(cells.name), draft(cells.name)]), ...often(0.2, { needed: true }) },
        second: { text: one<any>([twoWay(cells.name), twoWay(cells.other), draft(cells.other)]) },
        one: { n: twoWay(cells.bales) },
        // Of these only one keeps what lies outside, so that both ways to run it report the same.
        two: { n: twoWay(cells.bales), ...(second === loose ? { most: oneWay(cells.most) } : {}) },
        go: { on: { press: actions.first } },
        send: { on: { press: one<any>([[submit()], actions.last, [reset()]]) } },
        total: { amount: oneWay(reckoned.sum), text: oneWay(one<any>([cells.other, reckoned.busy])) },
        seam: { n: one<any>([twoWay(row.seam.feet), draft(row.seam.feet)]) },
      }),
      submit: {
        sends: { bales: 'bales', name: one(['name', 'other']) },
        leaves: ['other', 'most'],
        to: 'office.book',
        ...often(0.3, { needs: ['name'] }),
        ...often(0.5, { then: (its: any) => [anyStep(its, screens)] }),
      },
      reset: { to: one(['initial', 'default', 'saved']) },
    })
  }

  const names = ['here', 'there']
  const wiring =
    chance() < 0.3
      ? journey('trip', {
          screens: Object.fromEntries(names.map((name) => [name, made(name, names)])),
          start: 'here',
          ends: ['there'],
          leaving: one(['keep', 'discard', 'stay'] as const),
        })
      : made('order', [])
  const anyMove = () =>
    one<Move>([
      ['edit', 'field', 'text', one(['', 'Heron', ' Teal'])],
      ['edit', 'second', 'text', one(['', 'Rail', 'Teal'])],
      ['edit', 'one', 'n', one([0, 5, 7, 9])],
      ['edit', 'two', 'n', one([0, 4, 8])],
      ['edit', 'seam', 'n', one([2, 30]), 'b'],
      ['leave', one(['field', 'second', 'two'])],
      ['press', one(['go', 'send'])],
      ['set', one([{ bales: 7 }, { bales: 60 }, { most: 4 }, { isOpen: true }, { isOpen: false }])],
      ['set', { seams: [{ id: 'b', feet: 50 }] }],
      ['submit'],
      ['reset'],
      ['answerFirst'],
      ['answerFirst'],
      ['failFirst'],
    ])
  return { wiring, moves: Array.from({ length: 25 }, anyMove) }
}

/** Plays it, and says after each move what stands, what is shown and what was asked of the sources. */
export async function played(player: Player, { wiring, moves }: RandomWiring): Promise<string[]> {
  const going = player.run(wiring)
  const isJourney = wiring.kind === 'journey'
  const seen: string[] = []
  let focus: string | undefined
  const isThere = (fitting: string) => (fitting === 'seam' ? going.rows('seam').includes('b') : going.isShown(fitting))
  const cell = (name: string) => going.read(isJourney ? `${going.front()}.${name}` : name)

  function leave(): void {
    if (focus !== undefined && isThere(focus)) going.leave(focus, focus === 'seam' ? 'b' : undefined)
    focus = undefined
  }

  async function make([what, ...given]: Move): Promise<void> {
    const at = what === 'edit' || what === 'leave' ? (given[0] as string) : undefined
    if (at !== undefined && focus !== at) leave()
    if (at !== undefined && !isThere(at)) return
    if (what === 'edit') focus = at
    const [waiting] = going.pending()
    if (what === 'answerFirst') return waiting === undefined ? undefined : going.answer(waiting, GIVEN[waiting])
    if (what === 'failFirst') return waiting === undefined ? undefined : going.fail(waiting, 'the office is closed')
    await (going[what] as (...given: unknown[]) => unknown)(...given)
  }

  function look(move: Move | undefined): void {
    const typed = new Set([focus])
    const shown = [
      ['field', 'text'],
      ['second', 'text'],
      ['one', 'n'],
      ['two', 'n'],
      ['total', 'amount'],
      ['total', 'text'],
    ].map(([fitting, name]) => [`${fitting}.${name}`, typed.has(fitting!) ? '…' : going.shown(fitting!, name!)])
    const problems = ['field', 'second', 'one', 'two', undefined].map((fitting) => going.problem(fitting))
    const cells = ['name', 'other', 'bales', 'most', 'isOpen', 'berths', 'seams'].map(cell)
    const asked = [going.pending(), going.calls, going.faults.map(({ place }) => place)]
    seen.push(JSON.stringify({ move, front: isJourney ? going.front() : '', cells, shown, problems, asked }))
  }

  look(undefined)
  for (const move of moves) {
    await make(move)
    look(move)
  }
  going.remove()
  return seen
}

/** Where two ways to run one wiring part: what they show there; nothing where they agree. */
export async function parting(seed: number, one: Player, other: Player): Promise<string[] | undefined> {
  const [first, second] = [await played(one, randomWiring(seed)), await played(other, randomWiring(seed))]
  const at = first.findIndex((seen, place) => seen !== second[place])
  return at < 0 ? undefined : [first[at] as string, second[at] as string]
}

/** The same chances for the same seed. */
function chanceFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296
  }
}
