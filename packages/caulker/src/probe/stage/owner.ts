import { givenClauses, valueClauses, type AnyContract } from '../../contract/index.js'
import { compile, type Machine } from '../../machine/index.js'
import { oneWay, screen, twoWay } from '../../wiring/index.js'

/** The name of the component with its owner. */
export const OWNED = 'it'

/** The owner of one component: a screen of one fitting, with a cell for each name. */
export function ownerOf(contract: AnyContract): Machine {
  const clauses = givenClauses(contract)
  const bindings = (cells: Record<string, never>) =>
    Object.fromEntries(
      clauses.map(({ name }) => [
        name,
        Object.hasOwn(contract.values, name) ? twoWay(cells[name] as never) : oneWay(cells[name] as never),
      ]),
    )
  return compile(
    screen('owner', {
      cells: Object.fromEntries(clauses.map(({ name, type }) => [name, { type, initial: undefined as never }])),
      fittings: { [OWNED]: contract },
      bind: ({ cells }) => ({ [OWNED]: bindings(cells as never) }) as never,
    }),
  )
}

/** The same contract for an owner that does not look at bounds before it tells. */
export function unbounded(contract: AnyContract): AnyContract {
  return {
    ...contract,
    values: Object.fromEntries(
      valueClauses(contract).map((value) => [
        value.name,
        { ...value, outside: 'keep' as const, outsideTold: 'keep' as const },
      ]),
    ),
  }
}
