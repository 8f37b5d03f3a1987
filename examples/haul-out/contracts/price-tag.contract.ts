import { contract, Type } from 'caulker'

/** What every price display of the yard promises, under the tag of the one that keeps it. */
export const priceTagPromise = <const T extends `${string}-${string}`>(tag: T) =>
  contract(tag, {
    summary: 'An amount of money, written out',
    required: ['amount'],
    properties: {
      amount: { type: Type.Number(), summary: 'In whole and broken marks' },
      caption: { type: Type.String(), default: 'Total' },
    },
  })

export const priceTag = priceTagPromise('price-tag')
