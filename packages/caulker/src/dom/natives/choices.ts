import { contract, valueAt, type AnyContract } from '../../contract/index.js'
import { flag, plain } from './native.js'

/** One of a few options, or none. */
export function choiceOf<const O extends string>(
  tag: 'native-select' | 'native-radios',
  summary: string,
  options: readonly O[],
) {
  return contract(tag, {
    summary,
    properties: { disabled: flag },
    values: {
      value: {
        type: plain<O | ''>({ enum: ['', ...options] }),
        default: '' as never,
        event: 'change',
        payloadAt: '/target/value',
      },
    },
    locks: { disabled: 'disabled' },
  })
}

export function optionsOf({ values }: AnyContract): readonly string[] {
  return (valueAt(values['value']?.type, ['enum']) as readonly string[] | undefined) ?? []
}

export function textOf(value: unknown): string {
  return typeof value === 'string' ? value : ''
}
