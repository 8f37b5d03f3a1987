import type { Problem, Wiring } from '../../machine/index.js'
import { isJourney } from '../../wiring/index.js'
import type { Passage } from '../invariants/index.js'
import { allPlanned } from '../play/all-planned.js'
import type { Hash } from './identity.js'
import { createVisited } from './visited.js'
import type { Node, Walk } from './walk.js'

/** Whether an end can still be reached, asked from the first state of each kind. */
export interface EndsInReach {
  /** From how many kinds of state it was asked. */
  readonly asked: number
  /** From how many it could not be judged: too much would have had to be tried, or a function of the wiring said no. */
  readonly unknown: number
}

/** The states from which an end is looked for: of each kind the first. */
export interface EndWatch {
  note(state: number, node: Node): void
  judge(stopped: () => boolean): EndsInReach & { readonly dead: readonly number[] }
}

const MOST_KINDS = 24
const MOST_STATES = 2500
/** Where several searches came to nothing, the others are short: who is stuck has few states left. */
const MOST_IN_ALL = 7500
const FEW_STATES = 200
const MOST_EDITS = 4
/** With more calls out than that, more answers do not help. */
const MOST_PENDING = 6
/** How often it is asked whether to go on, in moves. */
const SAID = 200

/** Watches for the ends of a journey, or for the sending of a screen; nothing where the wiring has neither. */
export function watchEnds(wiring: Wiring, walk: Walk): EndWatch | undefined {
  const { machine } = walk.play.plan
  const ends = isJourney(wiring)
    ? wiring.ends.map((name) => machine.screens.findIndex((screen) => screen.name === name)).filter((at) => at >= 0)
    : []
  const sends = machine.kind === 'screen' && machine.screens[0]?.submit !== undefined
  if (ends.length === 0 && !sends) return undefined
  const guards = new Set(allPlanned(machine).flatMap((step) => (step.step === 'go' ? [step.otherwise] : [])))
  const kinds = new Map<string, { state: number; node: Node }>()
  const hash: Hash = { high: 0, low: 0 }

  const isEnd = (passage: Passage): boolean =>
    ends.length > 0
      ? ends.includes(passage.after.slots[machine.slots.front] as number)
      : passage.move !== undefined &&
        'answer' in passage.move &&
        machine.sites[passage.answered?.site ?? -1]?.kind === 'submit'

  function kindOf(node: Node): string {
    const { slots } = node.kept
    const front = walk.frontOf(node)
    const screen = machine.screens[front]
    const problems = Object.entries(slots[screen?.slots.problems ?? -1] as Readonly<Record<string, Problem>>)
    const open = machine.drafts.flatMap(({ slot }, at) => (slots[slot] === undefined ? [] : [at]))
    const hidden = machine.placed.filter((at) => slots[machine.fittings[at]?.shown?.slot ?? -1] === false)
    return JSON.stringify([
      front,
      problems.map(([place, { from }]) => place + from),
      open,
      hidden,
      slots[screen?.slots.phase ?? -1],
      walk.pendingIn(node).map(({ site, isExpired }) => [site, isExpired]),
    ])
  }

  /** How many edits an end needs at most from states that are known to lead to one. */
  const needed = new Map<string, number>()

  /** A state as far as it matters for what can still be done. */
  function keyOf(node: Node): string {
    walk.hash({ ...node, purse: { ...node.purse, edits: 0 } }, hash)
    return `${hash.high} ${hash.low}`
  }

  /** How many states were looked at in vain. */
  let spent = 0

  /** Looks for an end with nothing but what goes well. */
  function look(from: Node, stopped: () => boolean): 'reached' | 'dead' | 'unknown' {
    const visited = createVisited()
    const most = spent < MOST_IN_ALL ? MOST_STATES : FEW_STATES
    let [isReached, isTurnedDown, isCut, moves] = [false, false, false, 0]
    const first: Node = { ...from, memory: undefined, purse: { edits: MOST_EDITS, failures: 0, part: -1 } }
    const nodes: Node[] = [first]
    const steps = [{ key: keyOf(first), edits: MOST_EDITS, parent: -1 }]
    const judge = (passage: Passage) => {
      isReached ||= isEnd(passage)
      isTurnedDown ||= passage.happened.refusals.length > 0 || passage.happened.stays.some((why) => guards.has(why))
    }
    /** Every state on the way leads to an end, too. */
    const reached = (step: number, left: number) => {
      for (let at = step; at >= 0; at = steps[at]?.parent ?? -1) {
        const { key, edits } = steps[at] as (typeof steps)[number]
        needed.set(key, Math.min(needed.get(key) ?? Infinity, edits - left))
      }
      return 'reached' as const
    }
    for (let at = 0; at < nodes.length; at++) {
      const node = nodes[at] as Node
      for (const move of walk.offers(node)) {
        if (++moves % SAID === 0 && stopped()) return 'unknown'
        const next = walk.go(node, move, judge)
        const { edits } = next.purse
        if (isReached) return reached(at, edits)
        if (walk.pendingIn(next).length > MOST_PENDING) {
          isCut = true
          continue
        }
        const key = keyOf(next)
        const needs = needed.get(key) ?? Infinity
        if (needs <= edits) return reached(at, edits - needs)
        walk.hash(next, hash)
        if (visited.add(hash.high, hash.low, at) < 0) continue
        if (nodes.length >= most) {
          spent += most
          return 'unknown'
        }
        nodes.push(walk.keep(next))
        steps.push({ key, edits, parent: at })
      }
      // What was gone on from is not needed any more.
      nodes[at] = undefined as never
    }
    const isHeldByRules = machine.screens.some(({ submit }) => (submit?.heldBy.length ?? 0) > 0)
    return isTurnedDown || isCut || isHeldByRules ? 'unknown' : 'dead'
  }

  return {
    note(state, node) {
      if (kinds.size >= MOST_KINDS || ends.includes(walk.frontOf(node))) return
      const kind = kindOf(node)
      if (!kinds.has(kind)) kinds.set(kind, { state, node })
    },
    judge(stopped) {
      const dead: number[] = []
      let [asked, unknown] = [0, 0]
      for (const { state, node } of kinds.values()) {
        if (stopped()) break
        asked++
        const found = look(node, stopped)
        if (found === 'dead') dead.push(state)
        if (found === 'unknown') unknown++
      }
      return { asked, unknown, dead }
    },
  }
}
