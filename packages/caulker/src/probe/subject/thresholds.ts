import { accepts, equal, type PropertyClause, type ValueClause } from '../../contract/index.js'
import type { Given } from '../../mount/index.js'
import type { Subject } from './subject.js'

const MOST = 6

/** Mounts in which a number stands at another, and just beside it: what happens when it gets there happens only from there. */
export function atThresholds({ names, values, middle, plain, ideally }: Subject): Given[] {
  const isNumber = ({ type }: PropertyClause) => accepts(type, 7) && !accepts(type, 'oakum')
  const bounds = (value: ValueClause) => [value.bounds.least, value.bounds.most, value.step, value.stride, value.gap]
  return values
    .filter(isNumber)
    .flatMap((value) =>
      names
        .filter((other) => other.kind === 'property' && isNumber(other) && !bounds(value).includes(other.name as never))
        .flatMap((other) => {
          const at = plain(other.name).find((one): one is number => typeof one === 'number' && one > 1)
          return at === undefined
            ? []
            : [at + 1, at, at - 1].map((near) => ({ ...middle, [other.name]: at, [value.name]: near }))
        })
        .filter((given) => equal(ideally(value.name, given), given[value.name])),
    )
    .slice(0, MOST)
}
